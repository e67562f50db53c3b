package app.unciala.server.flag;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What people decide about flags, over HTTP, and how flags are gathered, counted and walked through. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class FlagDecisionsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private Caller caller;
    private String family;
    private final List<String> sites = new ArrayList<>();

    @BeforeAll
    void threeSitesWithoutALicense() {
        caller = SERVER.signIn();
        family = caller.hold("Wendlow-Regular.ttf");
        for (String name : List.of("Alder", "Birch", "Cedar")) {
            sites.add(caller.site(name, name.toLowerCase(Locale.ROOT) + ".example", family, 400));
        }
    }

    @BeforeEach
    void nothingIsDecided() {
        caller.send("POST", "/api/flags/acceptance/withdrawal", chosen(ids("")));
        caller.send("POST", "/api/flags/assignment", with(chosen(ids("")), "name", null));
    }

    @Test
    void acceptingWantsADayToComeAndAReason() {
        List<String> all = ids("?state=open");
        assertThat(all).hasSizeGreaterThanOrEqualTo(3);
        assertThat(accept(all, today().minusDays(1), "why not").text()).contains("today or a later day");
        assertThat(accept(all, today().plusYears(6), "why not").text()).contains("at most five years");
        assertThat(accept(all, today(), " ").status()).isEqualTo(422);
        assertThat(accept(all, today(), "x".repeat(2001)).status()).isEqualTo(422);
        assertThat(accept(List.of(), today(), "none").text()).contains("Name the flags, or their cause.");
        assertThat(accept(List.of("no-such-flag"), today(), "none").status()).isEqualTo(409);
        assertThat(ids("?state=open")).as("nothing was accepted").isEqualTo(all);
    }

    @Test
    void anAcceptedFlagStandsAsideAndComesBackWhenItIsWithdrawn() {
        String flag = ids("?state=open&site=" + sites.get(0)).get(0);
        Answer accepted = accept(List.of(flag), today().plusDays(10), " asked the vendor ");
        assertThat(accepted.json().get("flags").asInt()).isEqualTo(1);
        assertThat(ids("?state=open")).doesNotContain(flag);
        assertThat(ids("?state=accepted")).containsExactly(flag);
        assertThat(ids("?state=current")).contains(flag);
        JsonNode view = flag(flag);
        assertThat(view.get("acceptedReason").asString()).isEqualTo("asked the vendor");
        assertThat(view.get("acceptedBy").asString()).isEqualTo("admin");
        assertThat(view.get("acceptedUntil").asString())
                .isEqualTo(today().plusDays(10).toString());
        caller.send("POST", "/api/flags/acceptance/withdrawal", chosen(List.of(flag)));
        assertThat(ids("?state=open")).contains(flag);
        assertThat(flag(flag).get("acceptedReason").asString()).isEmpty();
    }

    @Test
    void allFlagsOfACauseAreDecidedAtOnce() {
        JsonNode cause = gathered("CAUSE").stream()
                .filter(entry -> entry.get("kind").asString().equals("NO_LICENSE"))
                .findFirst()
                .orElseThrow();
        Map<String, Object> ofCause =
                with(with(Map.of(), "ids", null), "cause", cause.get("key").asString());
        SERVER.join("takes-over", "EDITOR");
        Answer handed = caller.send("POST", "/api/flags/assignment", with(ofCause, "name", "takes-over"));
        int flags = cause.get("count").asInt();
        assertThat(handed.json().get("flags").asInt()).isEqualTo(flags);
        assertThat(ids("?person=takes-over&state=open")).hasSize(flags);
        assertThat(gathered("PERSON"))
                .extracting(entry -> entry.get("key").asString())
                .contains("takes-over");
    }

    @Test
    void nothingIsHandedToNobodyKnownOrToWhoIsGone() {
        List<String> one = ids("?state=open").subList(0, 1);
        assertThat(caller.send("POST", "/api/flags/assignment", with(chosen(one), "name", "nobody-here"))
                        .status())
                .isIn(404, 422);
        SERVER.join("leaves", "EDITOR");
        caller.delete("/api/people/leaves");
        Answer gone = caller.send("POST", "/api/flags/assignment", with(chosen(one), "name", "leaves"));
        assertThat(gone.status()).isEqualTo(422);
        assertThat(gone.text()).contains("has left the agency");
        assertThat(flag(one.get(0)).get("assignee").asString()).isEmpty();
    }

    @Test
    void commentsStandInOrderAndAreToldInTheHistory() {
        String flag = ids("?state=open").get(0);
        String comments = "/api/flags/" + flag + "/comments";
        assertThat(caller.send("POST", comments, Map.of("text", " ")).status()).isEqualTo(422);
        assertThat(caller.send("POST", comments, Map.of("text", "x".repeat(2001)))
                        .status())
                .isEqualTo(422);
        caller.send("POST", comments, Map.of("text", "first"));
        JsonNode story = caller.send("POST", comments, Map.of("text", "second")).json();
        assertThat(story.get("comments"))
                .extracting(comment -> comment.get("text").asString())
                .endsWith("first", "second");
        assertThat(caller.get("/api/history?type=flag&subject=" + flag).text()).contains("second");
        assertThat(caller.send("POST", "/api/flags/nowhere/comments", Map.of("text", "lost"))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void countsAndGatheredEntriesAgreeWithTheList() {
        accept(ids("?state=open&site=" + sites.get(1)), today().plusDays(3), "for now");
        int open = 0;
        int accepted = 0;
        for (JsonNode count : caller.get("/api/flags/counts").json()) {
            open += count.get("open").asInt();
            accepted += count.get("accepted").asInt();
        }
        assertThat(open).isEqualTo(ids("?state=open").size());
        assertThat(accepted).isEqualTo(ids("?state=accepted").size()).isPositive();
        for (String by : List.of("CAUSE", "SITE", "FAMILY", "LICENSE", "PERSON")) {
            int inside = gathered(by).stream()
                    .mapToInt(entry -> entry.get("count").asInt())
                    .sum();
            assertThat(inside).as(by).isLessThanOrEqualTo(open);
            if (by.equals("CAUSE")) {
                assertThat(inside).isEqualTo(open);
            }
        }
    }

    @Test
    void pagesOfAnySizeShowEachFlagOnceInTheSameOrder() {
        List<String> all = ids("?state=open");
        for (int limit : List.of(1, 2, 3)) {
            Set<String> walked = new LinkedHashSet<>();
            String cursor = "";
            do {
                JsonNode page = caller.get("/api/flags?state=open&limit=" + limit + cursor)
                        .json();
                page.get("items")
                        .forEach(flag -> assertThat(walked.add(flag.get("id").asString()))
                                .isTrue());
                JsonNode next = page.get("next");
                cursor = next.isNull() ? "" : "&cursor=" + next.asString();
            } while (!cursor.isEmpty());
            assertThat(walked).as("limit " + limit).containsExactlyElementsOf(all);
        }
        assertThat(ids("?state=open&order=oldest")).containsExactlyInAnyOrderElementsOf(all);
    }

    @Test
    void filtersNarrowByRecordGroupAndSeverity() {
        assertThat(ids("?site=" + sites.get(0) + "&site=" + sites.get(1)))
                .hasSize(ids("?site=" + sites.get(0)).size()
                        + ids("?site=" + sites.get(1)).size());
        assertThat(ids("?site=")).as("an empty filter asks for nothing").isEqualTo(ids(""));
        assertThat(ids("?group=unlicensed&severity=stop")).isNotEmpty();
        assertThat(ids("?site=nowhere")).isEmpty();
        assertThat(caller.get("/api/flags?group=MISSING").json().get("items"))
                .allMatch(flag -> flag.get("group").asString().equals("MISSING"));
    }

    @Test
    void aQuestionToTheVendorIsSaidOnItsFlag() {
        Map<String, Object> silent =
                Map.of("name", "Says little", "covers", List.of(Map.of("familyId", family, "faces", List.of())));
        String license =
                caller.send("POST", "/api/licenses", silent).json().get("id").asString();
        JsonNode flags = caller.get("/api/flags?license=" + license + "&site=" + sites.get(2))
                .json()
                .get("items");
        List<String> questions = new ArrayList<>();
        for (JsonNode flag : flags) {
            String question = flag.get("question").asString();
            if (flag.get("kind").asString().equals("NOT_STATED")) {
                questions.add(question);
            } else {
                assertThat(question).isEmpty();
            }
        }
        assertThat(questions).contains("use on web pages", "use on cedar.example");
        String path = "/api/licenses/" + license;
        caller.delete(path, caller.get(path).header("ETag"));
        assertThat(ids("?license=" + license)).isEmpty();
    }

    private List<JsonNode> gathered(String by) {
        List<JsonNode> entries = new ArrayList<>();
        caller.get("/api/flags/gathered?by=" + by).json().forEach(entries::add);
        return entries;
    }

    private JsonNode flag(String id) {
        return caller.get("/api/flags/" + id).json();
    }

    private List<String> ids(String query) {
        List<String> ids = new ArrayList<>();
        caller.get("/api/flags" + query)
                .json()
                .get("items")
                .forEach(flag -> ids.add(flag.get("id").asString()));
        return ids;
    }

    private Answer accept(List<String> ids, LocalDate until, String reason) {
        return caller.send(
                "POST", "/api/flags/acceptance", with(with(chosen(ids), "until", until.toString()), "reason", reason));
    }

    private static Map<String, Object> chosen(List<String> ids) {
        return with(with(Map.of(), "ids", ids), "cause", null);
    }

    private static Map<String, Object> with(Map<String, Object> map, String name, Object value) {
        Map<String, Object> more = new HashMap<>(map);
        more.put(name, value);
        return more;
    }

    private static LocalDate today() {
        return LocalDate.now(SERVER.clock());
    }
}
