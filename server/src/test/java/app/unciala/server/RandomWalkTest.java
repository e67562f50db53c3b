package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.demo.DemoFont;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/**
 * Changes of every kind of record, at random: after each hundred a full comparison finds nothing to mend, so no change
 * forgot a flag that it touches. {@code -Dunciala.walk.steps=100000} walks farther, {@code -Dunciala.walk.seed} another
 * way.
 */
class RandomWalkTest {
    private static final int STEPS = Integer.getInteger("unciala.walk.steps", 240);
    private static final long SEED = Long.getLong("unciala.walk.seed", 42);
    private static final List<String> CLAUSES = List.of("GRANTED", "REFUSED", "NOT_STATED");
    private static final List<String> HOSTS = List.of("a.example", "b.example", "www.a.example", "c.example");
    private static final List<String> NAMES = List.of("Ash", "Birch", "Cedar", "Elm", "Fir", "Hazel");

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private final Random random = new Random(SEED);
    private final Deque<String> done = new ArrayDeque<>();
    private Caller caller;

    @Test
    void nothingIsLeftToMend() {
        caller = SERVER.signIn();
        List<Runnable> steps = List.of(
                this::takeIn,
                this::takeIn,
                this::client,
                this::site,
                this::changeSite,
                this::changeSite,
                this::changeSite,
                this::license,
                this::changeLicense,
                this::changeLicense,
                this::changeLicense,
                this::pageViews,
                this::plan,
                this::pack,
                this::place,
                this::moveFile,
                this::deleteFile,
                this::merge,
                this::settle,
                this::decide,
                this::delete,
                this::undo,
                this::undo,
                this::dayPasses);
        for (int step = 1; step <= STEPS; step++) {
            steps.get(random.nextInt(steps.size())).run();
            if (step % 100 == 0 || step == STEPS) {
                JsonNode compared =
                        caller.send("POST", "/api/flags/comparison", Map.of()).json();
                assertThat(compared.get("mended").asInt())
                        .as("seed " + SEED + ", step " + step + ", after\n" + String.join("\n", done))
                        .isZero();
                done.clear();
            }
        }
        assertThat(items("/api/families")).as("what was walked over").hasSizeGreaterThan(2);
        assertThat(items("/api/licenses")).isNotEmpty();
        assertThat(items("/api/flags")).isNotEmpty();
    }

    private void takeIn() {
        DemoFont font = DemoFont.all().get(random.nextInt(DemoFont.all().size()));
        caller.hold(font.fileName(), font.bytes(), Map.of("family", pick(NAMES), "replaces", random.nextInt(4) == 0));
        done.add("took in " + font.fileName());
    }

    private void client() {
        String name = pick(NAMES) + " Ltd " + random.nextInt(1000);
        one("/api/clients")
                .filter(client -> random.nextBoolean())
                .ifPresentOrElse(
                        client -> edit("/api/clients/" + id(client), "", Map.of("name", name)),
                        () -> send("POST", "/api/clients", Map.of("name", name)));
    }

    private void site() {
        one("/api/clients")
                .ifPresent(client -> send(
                        "POST",
                        "/api/sites",
                        Map.of(
                                "clientId",
                                id(client),
                                "name",
                                "Site " + random.nextInt(1000),
                                "domains",
                                List.of(pick(HOSTS)),
                                "roles",
                                roles())));
    }

    private void changeSite() {
        Map<String, Object> changes = new LinkedHashMap<>();
        switch (random.nextInt(4)) {
            case 0 -> changes.put("domains", some(HOSTS));
            case 1 -> changes.put("roles", roles());
            case 2 ->
                changes.put(
                        "delivery",
                        Map.of(
                                "kind",
                                pick(List.of("FOLDER", "INLINE", "FLAT", "BASE_URL")),
                                "base",
                                "https://" + pick(List.of("files.other.example", "a.example")) + "/",
                                "formats",
                                some(List.of("WOFF2", "WOFF", "TTF")),
                                "languages",
                                random.nextBoolean() ? List.of("en") : List.of(),
                                "budget",
                                10_000 + random.nextInt(100_000)));
            default -> one("/api/clients").ifPresent(client -> changes.put("clientId", id(client)));
        }
        one("/api/sites").ifPresent(site -> edit("/api/sites/" + id(site), "", changes));
    }

    private List<Map<String, Object>> roles() {
        List<Map<String, Object>> roles = new ArrayList<>();
        for (String role : some(List.of("RUNNING_TEXT", "HEADINGS"))) {
            one("/api/families")
                    .ifPresent(family -> roles.add(Samples.role(
                            role,
                            id(family),
                            some(List.of(400, 700)).stream()
                                    .map(weight -> Samples.face(weight, "upright"))
                                    .toList())));
        }
        return roles;
    }

    private void license() {
        one("/api/families")
                .ifPresent(family -> send("POST", "/api/licenses", Samples.license(id(family), pick(HOSTS))));
    }

    private void changeLicense() {
        Map<String, Object> terms = new LinkedHashMap<>();
        switch (random.nextInt(7)) {
            case 0 -> terms.put("domains", some(HOSTS));
            case 1 -> terms.put(pick(List.of("webUse", "converting", "cutting")), pick(CLAUSES));
            case 2 -> terms.put(pick(List.of("inlining", "thirdParty", "subdomains")), pick(CLAUSES));
            case 3 ->
                terms.put(
                        "ends",
                        LocalDate.now(SERVER.clock())
                                .plusDays(random.nextInt(60) - 20)
                                .toString());
            case 4 -> {
                terms.put("anyFormat", random.nextBoolean());
                terms.put("formats", some(List.of("woff2", "woff")));
            }
            case 5 -> terms.put("pageViewLimit", 100 + random.nextInt(1000));
            default ->
                terms.put(
                        "covers",
                        Stream.concat(one("/api/families").stream(), one("/api/families").stream())
                                .map(RandomWalkTest::id)
                                .distinct()
                                .map(family -> Map.of(
                                        "familyId",
                                        family,
                                        "faces",
                                        random.nextBoolean() ? List.of() : List.of(Samples.face(400, "upright"))))
                                .toList());
        }
        one("/api/licenses").ifPresent(license -> edit("/api/licenses/" + id(license), "terms", terms));
    }

    private void pageViews() {
        String month = LocalDate.now(SERVER.clock())
                .minusMonths(random.nextInt(3))
                .toString()
                .substring(0, 7);
        one("/api/sites")
                .ifPresent(site -> send(
                        "PUT",
                        "/api/sites/" + id(site) + "/page-views/" + month,
                        Map.of("views", random.nextInt(2000))));
    }

    private void plan() {
        one("/api/sites")
                .ifPresent(site -> edit(
                        "/api/sites/" + id(site) + "/check-plan",
                        "plan",
                        Map.of("ownHosts", random.nextBoolean() ? List.of("files.other.example") : List.of())));
    }

    private void pack() {
        one("/api/sites")
                .ifPresent(site -> send(
                        "POST",
                        "/api/sites/" + id(site) + "/packs",
                        random.nextBoolean() ? Map.of() : Map.of("reason", "agreed")));
    }

    private void place() {
        one("/api/sites")
                .flatMap(site -> one("/api/sites/" + id(site) + "/packs"))
                .ifPresent(pack -> send(
                        "PUT",
                        "/api/packs/" + id(pack) + "/placed",
                        Map.of("day", LocalDate.now(SERVER.clock()).toString())));
    }

    private void moveFile() {
        file((family, file) -> send(
                "PATCH",
                "/api/families/" + family + "/files",
                Map.of("files", List.of(file), "slot", Samples.face(pick(List.of(400, 700)), "upright")),
                "/api/families/" + family));
    }

    private void deleteFile() {
        file((family, file) ->
                send("DELETE", "/api/families/" + family + "/files/" + file, Map.of(), "/api/families/" + family));
    }

    private void merge() {
        if (random.nextInt(4) == 0) {
            one("/api/families").ifPresent(from -> one("/api/families")
                    .ifPresent(into -> send(
                            "POST",
                            "/api/families/" + id(from) + "/merge",
                            Map.of("into", id(into)),
                            "/api/families/" + id(from))));
        }
    }

    private void settle() {
        JsonNode groups = caller.get("/api/duplicates").json();
        if (!groups.isEmpty()) {
            JsonNode group = groups.get(random.nextInt(groups.size()));
            List<String> members = group.get("members")
                    .valueStream()
                    .map(member -> member.get("file").get("id").asString())
                    .toList();
            send(
                    "POST",
                    "/api/duplicates/settle",
                    Map.of("kind", group.get("kind").asString(), "keep", pick(members), "members", members));
        }
    }

    private void decide() {
        one("/api/flags")
                .ifPresent(flag -> send(
                        "POST",
                        "/api/flags/acceptance",
                        Map.of(
                                "ids",
                                List.of(id(flag)),
                                "until",
                                LocalDate.now(SERVER.clock())
                                        .plusDays(random.nextInt(10))
                                        .toString(),
                                "reason",
                                "for now")));
    }

    private void delete() {
        String what = pick(List.of("/api/sites", "/api/licenses", "/api/clients"));
        if (random.nextInt(3) == 0) {
            one(what).ifPresent(found -> send("DELETE", what + "/" + id(found), Map.of(), what + "/" + id(found)));
        }
    }

    private void undo() {
        items("/api/history").stream()
                .filter(entry -> entry.get("undoable").asBoolean() && random.nextBoolean())
                .findFirst()
                .ifPresent(entry -> send("POST", "/api/history/" + id(entry) + "/undo", Map.of()));
    }

    /** Flags of days are written by the job that looks whether one has passed; a comparison is that job's as well. */
    private void dayPasses() {
        if (random.nextInt(5) == 0) {
            SERVER.clock().forward(Duration.ofDays(random.nextInt(5) + 1L));
            send("POST", "/api/flags/comparison", Map.of());
        }
    }

    private interface OfFile {
        void apply(String family, String file);
    }

    private void file(OfFile change) {
        one("/api/families").ifPresent(family -> {
            JsonNode files = caller.get("/api/families/" + id(family)).json().get("files");
            if (!files.isEmpty()) {
                change.apply(
                        id(family),
                        files.get(random.nextInt(files.size())).get("id").asString());
            }
        });
    }

    private void edit(String path, String part, Map<String, Object> changes) {
        told(caller.edit(path, part, changes), "PUT " + path + " " + changes);
    }

    private void send(String method, String path, Object body) {
        told(caller.send(method, path, body), method + " " + path + " " + body);
    }

    /** Sends with the version that a record has. */
    private void send(String method, String path, Object body, String record) {
        String tag = caller.get(record).header("ETag");
        told(caller.send(method, path, body, Map.of("If-Match", tag)), method + " " + path + " " + body);
    }

    private void told(Answer answer, String what) {
        assertThat(answer.status()).as(what + "\n" + answer.text()).isLessThan(500);
        done.add(answer.status() + " " + what);
    }

    private Optional<JsonNode> one(String path) {
        List<JsonNode> found = items(path);
        return found.isEmpty() ? Optional.empty() : Optional.of(found.get(random.nextInt(found.size())));
    }

    private List<JsonNode> items(String path) {
        Answer answer = caller.get(path);
        assertThat(answer.status()).as(path).isEqualTo(200);
        return answer.json().get("items").valueStream().toList();
    }

    private static String id(JsonNode record) {
        return record.get("id").asString();
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    /** One at least, in their order. */
    private <T> List<T> some(List<T> from) {
        List<T> some = from.stream().filter(one -> random.nextBoolean()).toList();
        return some.isEmpty() ? List.of(pick(from)) : some;
    }
}
