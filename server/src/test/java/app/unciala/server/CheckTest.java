package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.pack.Pack;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.CheckedSites;
import app.unciala.server.testing.Hosts;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Checks of made-up sites that are served on this machine. */
class CheckTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @RegisterExtension
    static final Hosts HOSTS = new Hosts();

    private static Caller caller;
    private static String family;
    private static CheckedSites sites;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        sites = new CheckedSites(caller, HOSTS);
        family = caller.hold("Penmarrow-Regular.ttf");
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        terms.put("converting", "GRANTED");
        terms.put("cutting", "GRANTED");
        caller.send("POST", "/api/licenses", terms);
        assertThat(caller.send("PUT", "/api/private-hosts/" + HOSTS.at(), Map.of())
                        .status())
                .isEqualTo(200);
    }

    @Test
    void aSiteThatServesItsPackIsRight() throws IOException {
        String site = caller.site("Tarn", "tarn.example", family, 400);
        String pack = caller.send("POST", "/api/sites/" + site + "/packs", Map.of())
                .json()
                .get("id")
                .asString();
        Pack.unzipped(new ByteArrayInputStream(
                        caller.get("/api/packs/" + pack + ".zip").bytes()))
                .entries()
                .forEach(entry -> HOSTS.serve("tarn.example/" + entry.path(), entry.bytes()));
        HOSTS.serve(
                "tarn.example/",
                page(
                        "<link rel=stylesheet href=type.css>",
                        "<p>Bread.</p><small>Since 1902</small><a href=more>More</a>"));
        HOSTS.serve("tarn.example/more", page("<link rel=stylesheet href=type.css>", "<p>More bread.</p>"));
        sites.plan(site, "tarn.example", Map.of());

        JsonNode check = sites.check(site);

        assertThat(check.get("line").get("state").asString()).isEqualTo("DONE");
        assertThat(check.get("line").get("pagesWithErrors").asInt()).isZero();
        assertThat(texts(check.get("pages"), "url"))
                .containsExactly("http://tarn.example/", "http://tarn.example/more");
        JsonNode font = check.get("fonts").get(0);
        assertThat(font.get("inPack").asBoolean()).isTrue();
        assertThat(font.get("held").get("familyId").asString()).isEqualTo(family);
        assertThat(font.get("verdicts").get(0).get("verdict").asString()).isEqualTo("ALLOWED");
        assertThat(texts(check.get("pack").get("files"), "state")).containsOnly("SAME");
        JsonNode used = check.get("used").get(0);
        assertThat(used.get("faces").get(0).asString()).isEqualTo("Penmarrow Regular");
        assertThat(used.get("role").asString()).isEqualTo("RUNNING_TEXT");
        assertThat(used.get("proposed").isNull()).as("the site has that role").isTrue();
        JsonNode proposed = check.get("used").get(1).get("proposed");
        assertThat(proposed.get("role").asString()).isEqualTo("CAPTIONS");
        assertThat(proposed.get("familyId").asString()).isEqualTo(family);
        assertThat(proposed.get("faces").get(0).get("label").asString()).isEqualTo("Regular");
        assertThat(caller.kinds("?site=" + site)).isEmpty();
        JsonNode where = caller.get("/api/families/" + family + "/pages")
                .json()
                .valueStream()
                .filter(on -> on.get("siteName").asString().equals("Tarn"))
                .findFirst()
                .orElseThrow();
        assertThat(where.get("checkId").asString()).isEqualTo(id(check));
        assertThat(where.get("faces").get(0).get("how").asString()).isEqualTo("SAME_DRAWING");
        assertThat(texts(where.get("faces").get(0).get("pages"), "url"))
                .containsExactly("http://tarn.example/", "http://tarn.example/more");
        assertThat(caller.get("/api/families/nothing/pages").json()).isEmpty();
        JsonNode run = caller.get("/api/checks/" + id(check) + "/pages/0")
                .json()
                .get("runs")
                .get(0);
        assertThat(run.get("text").asString()).isEqualTo("Bread.");
        assertThat(run.get("given").get(0).get("sha256").asString())
                .isEqualTo(font.get("sha256").asString());
        assertThat(caller.get("/api/files/" + font.get("sha256").asString()).bytes())
                .as("what visitors get can be shown")
                .hasSize(font.get("bytes").asInt());

        String css = new String(HOSTS.served("tarn.example/type.css"), StandardCharsets.UTF_8);
        HOSTS.serve(
                "tarn.example/type.css",
                css.replaceAll("font-weight:[^;]*;", "").getBytes(StandardCharsets.UTF_8));
        JsonNode sheet = sites.check(site)
                .get("pack")
                .get("files")
                .valueStream()
                .filter(file -> file.get("path").asString().endsWith(".css"))
                .findFirst()
                .orElseThrow();
        assertThat(sheet.get("state").asString()).isEqualTo("OTHER");
        assertThat(sheet.get("rules")).isNotEmpty();
        assertThat(sheet.get("rules").get(0).get("rule").asString()).startsWith("@font-face");
    }

    @Test
    void whatIsWrongIsFlaggedAndGoneAfterTheNextCheck() {
        String site = caller.site("Mill", "mill.example", family);
        HOSTS.serve("mill.example/r.ttf", Samples.font("Penmarrow-Regular.ttf"));
        String head = "<style>@font-face { font-family: P; src: url(r.ttf) } body { font-family: P, serif }</style>";
        HOSTS.serve(
                "mill.example/",
                page(head + "<link rel=stylesheet href=//letters.example/a.css>", "<p>Flour <b>today</b></p>"));
        sites.plan(site, "mill.example", Map.of());

        JsonNode first = sites.check(site);
        assertThat(caller.kinds("?site=" + site))
                .containsExactlyInAnyOrder("FAKED_ON_PAGE", "FILE_NOT_REACHED", "THIRD_PARTY", "FOUND_NOT_ALLOWED");
        assertThat(first.get("changedSince").isNull()).isTrue();

        HOSTS.serve("mill.example/", page(head, "<p>Flour today</p>"));
        JsonNode second = sites.check(site);
        assertThat(caller.kinds("?site=" + site)).containsExactly("FOUND_NOT_ALLOWED");
        assertThat(texts(second.get("changes").get("gone"), "kind")).contains("faked-bold", "third-party");
        assertThat(second.get("changes").get("appeared")).isEmpty();

        HOSTS.serve("mill.example/", page(head, "<p>Flour <b>today</b></p>"));
        sites.check(site);
        HOSTS.serve("mill.example/", page(head, "<p>Flour <b>today</b> and <b>tomorrow</b></p>"));
        assertThat(sites.check(site).get("changes").get("empty").asBoolean())
                .as("another text of the same cause is nothing new")
                .isTrue();
        HOSTS.serve("mill.example/", page(head, "<p>Flour today</p>"));
        sites.check(site);

        String license = caller.send("POST", "/api/licenses", Samples.license(family, "mill.example"))
                .json()
                .get("id")
                .asString();
        assertThat(caller.kinds("?site=" + site))
                .as("a license that now permits it is looked at without another check")
                .isEmpty();
        assertThat(mended()).isZero();
        Answer read = caller.get("/api/licenses/" + license);
        caller.delete("/api/licenses/" + license, read.header("ETag"));
        assertThat(caller.kinds("?site=" + site)).containsExactly("FOUND_NOT_ALLOWED");
    }

    @Test
    void aFontThatNobodyRecordedIsTakenIntoAnIntake() {
        String site = caller.site("Kiln", "kiln.example", family);
        HOSTS.serve("kiln.example/v.ttf", Samples.font("Vellumine-Regular.ttf"));
        HOSTS.serve(
                "kiln.example/",
                page(
                        "<style>@font-face { font-family: V; src: url(v.ttf) } p { font-family: V, serif }</style>",
                        "<p>Brick"));
        sites.plan(site, "kiln.example", Map.of());
        JsonNode check = sites.check(site);
        JsonNode font = check.get("fonts").get(0);
        assertThat(check.get("used").get(0).get("proposed").isNull())
                .as("nothing of it is held")
                .isTrue();
        assertThat(font.get("held").isNull()).isTrue();
        assertThat(caller.kinds("?site=" + site)).containsExactly("FOUND_NOT_RECORDED");

        String takeIn = "/api/checks/" + id(check) + "/fonts/";
        assertThat(caller.send("POST", takeIn + "0".repeat(64) + "/intake", Map.of())
                        .status())
                .isEqualTo(404);
        String intake = caller.send("POST", takeIn + font.get("sha256").asString() + "/intake", Map.of())
                .json()
                .get("intakeId")
                .asString();
        JsonNode row = caller.waitForIntake(intake).get("rows").get(0);
        assertThat(row.get("path").asString()).isEqualTo("v.ttf");
        assertThat(row.get("family").asString()).isEqualTo("Vellumine");
        caller.send("POST", "/api/intakes/" + intake + "/accept", Map.of());

        assertThat(caller.kinds("?site=" + site))
                .as("held now, and no license covers it")
                .containsExactly("FOUND_NOT_ALLOWED");
        assertThat(mended()).isZero();
        assertThat(caller.get("/api/checks/" + id(check))
                        .json()
                        .get("fonts")
                        .get(0)
                        .get("held")
                        .get("how")
                        .asString())
                .isEqualTo("SAME_BYTES");
    }

    @Test
    void nothingPrivateIsConnectedToUnlessAnAdministratorAllowedIt() {
        String site = caller.site("Inside", "inside.example", family);
        HOSTS.serve("inside.example/", page("", "<p>Secret"));
        Caller editor = SERVER.join("checker", "EDITOR");
        String other = HOSTS.at().replace("localhost", "127.0.0.1");
        sites.plan(
                site,
                "inside.example",
                Map.of("connections", List.of(Map.of("host", "inside.example:80", "to", other))));
        JsonNode refused = sites.check(site);
        assertThat(refused.get("pages").get(0).get("why").asString()).contains("is private");
        assertThat(editor.send("PUT", "/api/private-hosts/" + other, Map.of()).status())
                .isEqualTo(403);
        caller.send("PUT", "/api/private-hosts/" + other, Map.of());
        assertThat(sites.check(site).get("pages").get(0).get("why").isNull()).isTrue();
        assertThat(caller.delete("/api/private-hosts/" + other).status()).isEqualTo(200);
        assertThat(caller.delete("/api/private-hosts/" + other).status()).isEqualTo(404);
        assertThat(caller.send("PUT", "/api/private-hosts/nowhere", Map.of()).status())
                .isEqualTo(422);
        assertThat(SERVER.join("onlooker", "READER")
                        .send("POST", "/api/sites/" + site + "/checks", Map.of())
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aStagingHostIsSignedInToWithAPasswordThatIsNeverShown() throws IOException {
        String site = caller.site("Stage", "stage.example", family);
        HOSTS.serve("stage.example/", page("", "<p>Not yet"));
        HOSTS.wants("stage.example", "Basic bWFyYTpwOnNzIHfDtnJk");
        Map<String, Object> signIn = Map.of("host", "stage.example:80", "name", "mara", "password", "p:ss wörd");
        assertThat(sites.plan(site, "stage.example", Map.of("signIns", List.of(signIn)))
                        .text())
                .doesNotContain("wörd");
        assertThat(sites.check(site).get("pages").get(0).get("why").isNull()).isTrue();
        Map<String, Object> again = Map.of("host", "stage.example:80", "name", "mara");
        assertThat(sites.plan(site, "stage.example", Map.of("signIns", List.of(again)))
                        .status())
                .as("without a new one the password stays")
                .isEqualTo(200);
        assertThat(sites.check(site).get("pages").get(0).get("why").isNull()).isTrue();
        Answer led = caller.edit(
                "/api/sites/" + site + "/check-plan",
                "plan",
                Map.of(
                        "signIns",
                        List.of(again),
                        "connections",
                        List.of(Map.of("host", "stage.example:80", "to", "192.0.2.9:80"))));
        assertThat(led.status()).as("a kept password goes to no other machine").isEqualTo(422);
        assertThat(led.text()).contains("reached in another way now");
        Map<String, Object> unknown = Map.of("host", "stage.example:80", "name", "wen");
        assertThat(sites.plan(site, "stage.example", Map.of("signIns", List.of(unknown)))
                        .status())
                .isEqualTo(422);
        for (String kept : List.of("unciala.mv.db", "secret.key")) {
            assertThat(new String(Files.readAllBytes(SERVER.data().resolve(kept)), StandardCharsets.ISO_8859_1))
                    .doesNotContain("p:ss w");
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "addresses | ftp://plans.example/ | isn’t an address of a page",
                "addresses | https://other.example/ | is not among the site’s domains",
                "addresses | https://a:b@plans.example/ | isn’t an address of a page",
                "addresses | https://plans.example/%zz | isn’t an address of a page",
            })
    void aPlanIsRefusedWithItsReason(String field, String address, String reason) {
        String site = caller.site("Plans", "plans.example", family);
        Answer answer = caller.edit("/api/sites/" + site + "/check-plan", "plan", Map.of(field, List.of(address)));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains(reason);
    }

    @Test
    void aWatchedSiteIsCheckedOnceItsPackIsPlacedAndAnotherIsNot() {
        HOSTS.serve("watched.example/", page("", "<p>Tea"));
        List<String> both = List.of(
                caller.site("Watched", "watched.example", family, 400),
                caller.site("Unwatched", "unwatched.example", family, 400));
        sites.plan(both.get(0), "watched.example", Map.of("watched", true));
        sites.plan(both.get(1), "unwatched.example", Map.of());
        for (String site : both) {
            String pack = caller.send(
                            "POST", "/api/sites/" + site + "/packs", Map.of("reason", "the vendor agreed by phone"))
                    .json()
                    .get("id")
                    .asString();
            assertThat(caller.send("PUT", "/api/packs/" + pack + "/placed", Map.of("day", "2030-05-10"))
                            .status())
                    .isEqualTo(200);
        }
        JsonNode checks = caller.get("/api/sites/" + both.get(0) + "/checks").json();
        for (int i = 0; i < 100 && checks.get("items").isEmpty(); i++) {
            Caller.pause();
            checks = caller.get("/api/sites/" + both.get(0) + "/checks").json();
        }
        assertThat(checks.get("items")).hasSize(1);
        assertThat(checks.get("items").get(0).get("askedBy").asString()).isEqualTo("unciala");
        assertThat(caller.get("/api/sites/" + both.get(1) + "/checks").json().get("items"))
                .isEmpty();
    }

    @Test
    void aSiteWithoutADomainThatVisitorsSeeHasNothingToCheck() {
        String site = caller.site("Nowhere", "nowhere.example", family);
        caller.edit("/api/sites/" + site, "", Map.of("domains", List.of()));
        Answer refused = caller.send("POST", "/api/sites/" + site + "/checks", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("Name a page to check first");
        assertThat(caller.send("POST", "/api/sites/none/checks", Map.of()).status())
                .isEqualTo(404);
    }

    @Test
    void pagesMadeToBeSlowOrBrokenEndInAFinding() {
        String site = caller.site("Broken", "broken.example", family);
        HOSTS.serve("broken.example/", page("<style>" + "a{".repeat(50_000), "<b>".repeat(30_000) + "deep"));
        HOSTS.serve("broken.example/circle", page("<link rel=stylesheet href=a.css>", "<p>Round"));
        HOSTS.serve("broken.example/a.css", "@import url(a.css); p { font-family: A, serif }");
        HOSTS.serve(
                "broken.example/bomb",
                page(
                        "<style>@font-face { font-family: B; src: url(b.woff2) } p { font-family: B, serif }</style>",
                        "<p>Boom"));
        HOSTS.serve("broken.example/b.woff2", new byte[] {'w', 'O', 'F', '2', 0, 1, 0, 0, -1, -1, -1, -1, 0, 9});
        List<String> pages = List.of("", "circle", "bomb", "none");
        sites.plan(
                site,
                "broken.example",
                Map.of(
                        "addresses",
                        pages.stream()
                                .map(page -> "http://broken.example/" + page)
                                .toList()));
        JsonNode check = sites.check(site);
        assertThat(check.get("line").get("state").asString()).isEqualTo("DONE");
        assertThat(texts(check.get("pages"), "url")).hasSize(4);
        assertThat(check.get("pages").get(3).get("why").asString()).isEqualTo("the server answers 404");
        assertThat(caller.get("/api/checks/" + id(check) + "/pages/2").text()).contains("not-a-font");
        assertThat(caller.kinds("?site=" + site)).contains("NOT_A_FONT_THERE", "FILE_NOT_REACHED");
    }

    @ParameterizedTest
    @CsvSource({
        "ways.example, https://ways.example/",
        "HTTP://Ways.Example:8080/a%2Fb?c=d#e, http://ways.example:8080/a%2Fb?c=d",
        "https://ways.example?q, https://ways.example/?q",
        "https://wäge.example/ü, https://xn--wge-qla.example/%C3%BC",
    })
    void anAddressIsKeptInOneForm(String typed, String kept) {
        String site = caller.site("Ways", "ways.example", family);
        caller.edit("/api/sites/" + site, "", Map.of("domains", List.of("ways.example", "wäge.example")));
        Answer answer = caller.edit("/api/sites/" + site + "/check-plan", "plan", Map.of("addresses", List.of(typed)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(answer.json().get("plan").get("addresses").get(0).asString()).isEqualTo(kept);
    }

    @Test
    void aPlanIsEditedUnderItsVersion() {
        String site = caller.site("Versions", "versions.example", family);
        Answer read = caller.get("/api/sites/" + site + "/check-plan");
        assertThat(read.json().get("plan").get("addresses").get(0).asString()).isEqualTo("https://versions.example/");
        Map<String, String> tag = Map.of("If-Match", read.header("ETag"));
        Object plan = read.json().get("plan");
        assertThat(caller.send("PUT", "/api/sites/" + site + "/check-plan", plan)
                        .status())
                .isEqualTo(428);
        assertThat(caller.send("PUT", "/api/sites/" + site + "/check-plan", plan, tag)
                        .status())
                .isEqualTo(200);
        assertThat(caller.send("PUT", "/api/sites/" + site + "/check-plan", plan, tag)
                        .status())
                .isEqualTo(412);
    }

    @Test
    void aCheckIsStoppedAndAskedForOnceAtATime() {
        String site = caller.site("Slow", "slow.example", family);
        HOSTS.serve("slow.example/", page("", "<p>One <a href=b>b</a>"));
        HOSTS.serve("slow.example/b", page("", "<p>Two"));
        sites.plan(site, "slow.example", Map.of());
        CountDownLatch held = HOSTS.hold();
        try {
            String first = sites.start(site);
            assertThat(sites.start(site)).isEqualTo(first);
            assertThat(caller.delete("/api/checks/" + first).status()).isEqualTo(200);
            assertThat(caller.delete("/api/checks/" + first).status()).isEqualTo(409);
            assertThat(caller.get("/api/checks/" + first)
                            .json()
                            .get("line")
                            .get("state")
                            .asString())
                    .isEqualTo("STOPPED");
        } finally {
            held.countDown();
        }
        JsonNode next = sites.check(site);
        assertThat(next.get("pages")).hasSize(2);
        assertThat(next.get("changedSince").isNull())
                .as("one that was stopped is nothing to compare with")
                .isTrue();
        assertThat(caller.get("/api/checks/" + id(next) + "/pages/7").status()).isEqualTo(404);
        assertThat(caller.get("/api/sites/" + site + "/checks").json().get("items"))
                .hasSize(2);
    }

    private static String page(String head, String body) {
        return "<!doctype html><title>A page</title>" + head + body;
    }

    private static String id(JsonNode check) {
        return check.get("line").get("id").asString();
    }

    private static int mended() {
        return caller.send("POST", "/api/flags/comparison", Map.of())
                .json()
                .get("mended")
                .asInt();
    }

    private static List<String> texts(JsonNode list, String field) {
        return list.valueStream().map(one -> one.get(field).asString()).toList();
    }
}
