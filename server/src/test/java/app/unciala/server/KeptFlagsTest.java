package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.flag.Comparisons;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Flags are kept with their times, and so is what people decide about them. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class KeptFlagsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private Caller caller;

    @BeforeEach
    void signIn() {
        caller = SERVER.signIn();
    }

    @Test
    @Order(1)
    void aFlagKeepsItsIdentityItsTimesAndWhatWasSaidWhenItsCauseComesAgain() {
        String family = caller.hold("Wendlow-Regular.ttf");
        JsonNode flag = flags("?family=" + family).get(0);
        String id = flag.get("id").asString();
        assertThat(flag.get("gone").isNull()).isTrue();
        caller.send("POST", "/api/flags/" + id + "/comments", Map.of("text", "Asked the authors."));
        Answer license = caller.send("POST", "/api/licenses", Samples.license(family, "a.example"));
        assertThat(flags("?family=" + family)).isEmpty();
        assertThat(caller.get("/api/flags/" + id).json().get("gone").isNull()).isFalse();
        assertThat(caller.kinds("?state=gone&family=" + family)).containsExactly("NO_LICENSE");
        String path = "/api/licenses/" + license.json().get("id").asString();
        caller.delete(path, license.header("ETag"));
        assertThat(flags("?family=" + family).get(0).get("id").asString()).isEqualTo(id);
        JsonNode story = caller.get("/api/flags/" + id + "/story").json();
        assertThat(story.get("periods")).hasSize(1);
        assertThat(story.get("comments").get(0).get("text").asString()).isEqualTo("Asked the authors.");
    }

    @Test
    @Order(2)
    void whatIsAcceptedStandsAsideUntilItsDayAndComesBackTheDayAfter() {
        String family = caller.hold("Osier-Regular.ttf");
        String id = flags("?family=" + family).get(0).get("id").asString();
        LocalDate today = LocalDate.now(SERVER.clock());
        Map<String, Object> acceptance = new LinkedHashMap<>(Map.of(
                "ids", List.of(id), "until", today.plusDays(2).toString(), "reason", "The order is on its way."));
        assertThat(caller.send("POST", "/api/flags/acceptance", acceptance)
                        .json()
                        .get("flags")
                        .asInt())
                .isEqualTo(1);
        assertThat(caller.kinds("?state=open&family=" + family)).isEmpty();
        JsonNode accepted = flags("?state=accepted&family=" + family).get(0);
        assertThat(accepted.get("acceptedReason").asString()).isEqualTo("The order is on its way.");
        assertThat(accepted.get("acceptedBy").asString()).isEqualTo("admin");
        int before = open();
        Comparisons comparisons = SERVER.bean(Comparisons.class);
        SERVER.clock().forward(Duration.ofDays(2));
        comparisons.dayPassed();
        assertThat(caller.kinds("?state=open&family=" + family)).isEmpty();
        SERVER.clock().forward(Duration.ofDays(1));
        comparisons.dayPassed();
        assertThat(caller.kinds("?state=open&family=" + family)).containsExactly("NO_LICENSE");
        assertThat(open()).isEqualTo(before + 1);
        acceptance.put("until", today.minusDays(1).toString());
        assertThat(caller.send("POST", "/api/flags/acceptance", acceptance).status())
                .isEqualTo(422);
        acceptance.put("until", today.plusDays(900).toString());
        acceptance.put("reason", " ");
        assertThat(caller.send("POST", "/api/flags/acceptance", acceptance).status())
                .isEqualTo(422);
    }

    @Test
    @Order(3)
    void aLicenseThatEndsFlagsItsSitesTheDayAfter() {
        String family = caller.hold("Gannet-Regular.ttf");
        String site = caller.site("Ferry", "ferry.example", family, 400);
        LocalDate today = LocalDate.now(SERVER.clock());
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "ferry.example"));
        terms.put("ends", today.plusDays(40).toString());
        terms.put("noticeDays", 30);
        String license =
                caller.send("POST", "/api/licenses", terms).json().get("id").asString();
        assertThat(caller.kinds("?license=" + license)).isEmpty();
        Comparisons comparisons = SERVER.bean(Comparisons.class);
        SERVER.clock().forward(Duration.ofDays(10));
        comparisons.dayPassed();
        assertThat(caller.kinds("?license=" + license)).containsExactly("LICENSE_ENDING");
        SERVER.clock().forward(Duration.ofDays(30));
        comparisons.dayPassed();
        assertThat(caller.kinds("?license=" + license)).containsExactly("LICENSE_ENDING");
        SERVER.clock().forward(Duration.ofDays(1));
        comparisons.dayPassed();
        assertThat(caller.kinds("?license=" + license)).containsExactly("LICENSE_ENDED");
        assertThat(caller.get("/api/sites/" + site + "/comparison")
                        .json()
                        .get(0)
                        .get("verdict")
                        .asString())
                .isEqualTo("REFUSED");
        assertThat(comparisons.compareAll().mended()).isZero();
    }

    @Test
    @Order(4)
    void manyFlagsOfOneCauseAreOneEntryAndDecidedTogether() {
        for (String font : List.of("Hollin-Regular.ttf", "Lanthorn-Regular.ttf", "Brantle-Regular.ttf")) {
            caller.hold(font);
        }
        JsonNode entry = gathered("").get(0);
        assertThat(entry.get("key").asString()).isEqualTo("NO_LICENSE");
        assertThat(entry.get("count").asInt()).isGreaterThanOrEqualTo(3);
        assertThat(entry.get("title").asString()).endsWith("families have no license");
        SERVER.join("helper", "EDITOR");
        Answer assigned = caller.send("POST", "/api/flags/assignment", Map.of("cause", "NO_LICENSE", "name", "helper"));
        assertThat(assigned.json().get("flags").asInt())
                .isEqualTo(entry.get("count").asInt());
        assertThat(gathered("?person=helper").get(0).get("count").asInt())
                .isEqualTo(entry.get("count").asInt());
        assertThat(gathered("?by=person").get(0).get("title").asString()).isEqualTo("The helper");
        JsonNode shown = caller.get("/api/flags?state=open&limit=1&cause=NO_LICENSE")
                .json()
                .get("items")
                .get(0);
        Map<String, Object> within =
                Map.of("family", List.of(shown.get("familyId").asString()), "person", "helper");
        Map<String, Object> accepted = Map.of(
                "cause",
                "NO_LICENSE",
                "within",
                within,
                "reason",
                "asked",
                "until",
                LocalDate.now(SERVER.clock()).toString());
        assertThat(caller.send("POST", "/api/flags/acceptance", accepted)
                        .json()
                        .get("flags")
                        .asInt())
                .as("no more than what the filter shows")
                .isEqualTo(1);
        assertThat(caller.send("POST", "/api/flags/acceptance", accepted).status())
                .as("what is accepted already is not taken along")
                .isEqualTo(409);
        assertThat(caller.send(
                                "POST",
                                "/api/flags/acceptance/withdrawal",
                                Map.of("cause", "NO_LICENSE", "within", within))
                        .status())
                .as("of those that are accepted")
                .isEqualTo(200);
        assertThat(gathered("?by=family&group=unlicensed&limit=2")).hasSize(2);
        assertThat(caller.get("/api/flags/gathered?by=moon").status()).isEqualTo(422);
        assertThat(caller.send("POST", "/api/flags/assignment", Map.of("cause", "NO_LICENSE", "name", "nobody"))
                        .status())
                .isEqualTo(404);
        assertThat(caller.send("POST", "/api/flags/assignment", Map.of()).status())
                .isEqualTo(422);
    }

    @Test
    @Order(5)
    void pagesFollowEachOtherByKeyThoughTheirLastFlagGoes() {
        JsonNode first = caller.get("/api/flags?limit=2&state=open").json();
        String last = first.get("items").get(1).get("familyId").asString();
        List<String> rest = new ArrayList<>();
        caller.get("/api/flags?limit=500&state=open")
                .json()
                .get("items")
                .forEach(flag -> rest.add(flag.get("id").asString()));
        caller.send("POST", "/api/licenses", Samples.license(last, "solved.example"));
        List<String> next = new ArrayList<>();
        caller.get("/api/flags?limit=500&state=open&cursor=" + first.get("next").asString())
                .json()
                .get("items")
                .forEach(flag -> next.add(flag.get("id").asString()));
        assertThat(next).isEqualTo(rest.subList(2, rest.size()));
        JsonNode oldest = flags("?order=oldest");
        for (int i = 1; i < oldest.size(); i++) {
            assertThat(oldest.get(i).get("since").asString())
                    .isGreaterThanOrEqualTo(oldest.get(i - 1).get("since").asString());
        }
    }

    @Test
    @Order(6)
    void afterAnySequenceOfChangesAFullComparisonHasNothingToMend() {
        Random random = new Random(7);
        List<String> families = new ArrayList<>();
        caller.get("/api/families")
                .json()
                .get("items")
                .forEach(family -> families.add(family.get("id").asString()));
        List<String> sites = new ArrayList<>();
        List<String> licenses = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            String family = families.get(random.nextInt(families.size()));
            switch (random.nextInt(5)) {
                case 0 -> sites.add(caller.site("Site " + i, "s" + random.nextInt(6) + ".example", family, 400, 700));
                case 1 ->
                    licenses.add(caller.send(
                                    "POST",
                                    "/api/licenses",
                                    Samples.license(family, "s" + random.nextInt(6) + ".example"))
                            .json()
                            .get("id")
                            .asString());
                case 2 -> {
                    if (!licenses.isEmpty()) {
                        caller.edit(
                                "/api/licenses/" + licenses.get(random.nextInt(licenses.size())),
                                "terms",
                                Map.of(
                                        "webUse",
                                        List.of("GRANTED", "REFUSED", "NOT_STATED")
                                                .get(random.nextInt(3)),
                                        "covers",
                                        List.of(Map.of("familyId", family, "faces", List.of()))));
                    }
                }
                case 3 -> {
                    if (!sites.isEmpty()) {
                        String path = "/api/sites/" + sites.remove(random.nextInt(sites.size()));
                        caller.delete(path, caller.get(path).header("ETag"));
                    }
                }
                default -> {
                    Answer read = caller.get("/api/families/" + family);
                    caller.send(
                            "PUT",
                            "/api/families/" + family,
                            Map.of("name", "Renamed " + i),
                            Map.of("If-Match", read.header("ETag")));
                }
            }
        }
        assertThat(SERVER.bean(Comparisons.class).compareAll().mended()).isZero();
        int counted = 0;
        for (JsonNode count : caller.get("/api/flags/counts").json()) {
            counted += count.get("open").asInt();
        }
        assertThat(counted).isEqualTo(flags("?state=open&limit=500").size());
    }

    private JsonNode flags(String query) {
        return caller.get("/api/flags" + query).json().get("items");
    }

    private JsonNode gathered(String query) {
        return caller.get("/api/flags/gathered" + query).json();
    }

    private int open() {
        int open = 0;
        for (JsonNode count : caller.get("/api/flags/counts").json()) {
            open += count.get("open").asInt();
        }
        return open;
    }
}
