package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What is held more than once is found in groups, put away on request and taken back. */
class DuplicatesTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void repeatsNamesAndVersionsAreGroupsWithAProposalThatCanBeCarriedOutAndTakenBack() {
        Caller caller = SERVER.signIn();
        byte[] regular = Samples.font("Penmarrow-Regular.ttf");
        String family = caller.hold("Penmarrow-Regular.ttf", regular, Map.of());
        assertThat(caller.get("/api/duplicates").json()).isEmpty();
        byte[] again = regular.clone();
        again[again.length - 1] ^= 1;
        caller.hold("again.ttf", again, Map.of());
        String other = caller.hold("renamed.ttf", Samples.font("Gannet-Bold.ttf"), Map.of());
        String copy = caller.hold("copy.ttf", changed(Samples.font("Gannet-Bold.ttf")), Map.of("family", "Gull"));
        Sfnt osier = FontReader.read(Samples.font("Osier-Regular.ttf")).faces().get(0);
        String versions = caller.hold("osier.ttf", Samples.font("Osier-Regular.ttf"), Map.of());
        byte[] cut = FontWriter.write(Subsetter.subset(osier, SubsetPlan.ofText("aegnorst")), FontFormat.WOFF2);
        caller.hold("osier-cut.woff2", cut, Map.of());

        JsonNode groups = caller.get("/api/duplicates").json();
        assertThat(kinds(groups)).containsExactly("TWO_NAMES", "SAME_DRAWING", "VERSIONS");
        JsonNode names = groups.get(0);
        assertThat(names.get("because").asString()).isEqualTo("it came first");
        assertThat(member(names, names.get("keep").asString()).get("family").asString())
                .isEqualTo("Gannet");
        JsonNode repeat = groups.get(1);
        assertThat(repeat.get("members")).hasSize(2);
        assertThat(repeat.get("bytes").asLong()).isEqualTo(again.length);
        JsonNode clash = groups.get(2);
        assertThat(clash.get("because").asString()).startsWith("it has the most characters");
        assertThat(member(clash, clash.get("keep").asString())
                        .get("file")
                        .get("fileName")
                        .asString())
                .isEqualTo("osier.ttf");

        Answer settled = settle(caller, clash);
        assertThat(settled.status()).isEqualTo(200);
        assertThat(caller.get("/api/families/" + versions).json().get("files")).hasSize(1);
        assertThat(caller.get("/api/families/" + versions + "/superseded").json())
                .hasSize(1);
        Answer merged = settle(caller, names);
        assertThat(merged.status()).isEqualTo(200);
        assertThat(caller.get("/api/families/" + copy).status())
                .as("left empty")
                .isEqualTo(404);
        assertThat(caller.get("/api/families/" + other).json().get("files")).hasSize(1);
        settle(caller, repeat);
        assertThat(caller.get("/api/duplicates").json()).isEmpty();
        assertThat(caller.kinds("?family=" + family)).doesNotContain("SAME_DRAWING");

        caller.send("POST", "/api/history/" + merged.json().get("historyId").asString() + "/undo", Map.of());
        assertThat(caller.get("/api/families/" + copy).json().get("name").asString())
                .isEqualTo("Gull");
        assertThat(kinds(caller.get("/api/duplicates").json())).containsExactly("TWO_NAMES");

        String keep = names.get("keep").asString();
        assertRefused(caller, settlement("TWO_NAMES", keep, keep), "None of these files repeats");
        assertRefused(caller, settlement("TWO_NAMES", keep), "1 to 200");
        assertRefused(caller, settlement("TWO_NAMES", "none", keep), "none");
        assertRefused(caller, Map.of("keep", keep, "members", List.of(keep)), "kind");
        String stranger = caller.get("/api/families/" + versions)
                .json()
                .get("files")
                .get(0)
                .get("id")
                .asString();
        assertRefused(caller, settlement("TWO_NAMES", keep, stranger), "None of these files repeats");
        assertRefused(caller, settlement("VERSIONS", keep, stranger), "None of these files repeats");

        caller.site("Quay", "quay.example", copy, 700);
        Answer refused = settle(caller, names);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("Quay asks for");
        assertThat(SERVER.join("reader", "READER")
                        .send("POST", "/api/duplicates/settle", Map.of())
                        .status())
                .isEqualTo(403);
    }

    @Test
    void furtherFormatsOfWhatIsKeptStay() {
        Caller caller = SERVER.signIn();
        byte[] hollin = Samples.font("Hollin-Regular.ttf");
        byte[] web = FontWriter.write(FontReader.read(hollin).faces().get(0), FontFormat.WOFF2);
        String family = caller.hold("hollin.ttf", hollin, Map.of());
        caller.hold("hollin.woff2", web, Map.of());
        String copy = caller.hold("copy.ttf", changed(hollin), Map.of("family", "Holm"));
        JsonNode names = groupOf(caller, "Hollin");
        assertThat(names.get("members")).hasSize(3);
        assertThat(settle(caller, names).json().get("files").asInt()).isEqualTo(1);
        assertThat(caller.get("/api/families/" + copy).status()).isEqualTo(404);
        assertThat(formats(caller, family)).containsExactlyInAnyOrder("ttf", "woff2");

        byte[] cut = FontWriter.write(
                Subsetter.subset(FontReader.read(hollin).faces().get(0), SubsetPlan.ofText("aegnorst")),
                FontFormat.TTF);
        caller.hold("hollin-cut.ttf", cut, Map.of());
        JsonNode versions = groupOf(caller, "Hollin");
        assertThat(versions.get("kind").asString()).isEqualTo("VERSIONS");
        assertThat(versions.get("bytes").asLong()).isEqualTo(cut.length);
        assertThat(settle(caller, versions).json().get("files").asInt()).isEqualTo(1);
        assertThat(formats(caller, family)).containsExactlyInAnyOrder("ttf", "woff2");
    }

    @Test
    void aRenamedCopyThatWentInAllTheSameIsAGroupWithWhatItCopies() {
        Caller caller = SERVER.signIn();
        String original = caller.hold("Wendlow-Regular.ttf");
        Sfnt face = FontReader.read(Samples.font("Wendlow-Regular.ttf")).faces().get(0);
        byte[] cut = FontWriter.write(
                Subsetter.subset(face, SubsetPlan.ofText("ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz")),
                FontFormat.TTF);
        String copy = caller.hold("wend.ttf", cut, Map.of("family", "Wendish"));
        JsonNode group = groupOf(caller, "Wendlow");
        assertThat(group.get("kind").asString()).isEqualTo("RENAMED_COPIES");
        assertThat(group.get("members")).hasSize(2);
        assertThat(member(group, group.get("keep").asString()).get("familyId").asString())
                .isEqualTo(original);
        assertThat(settle(caller, group).status()).isEqualTo(200);
        assertThat(caller.get("/api/families/" + copy).status()).isEqualTo(404);
        assertThat(caller.get("/api/duplicates").text()).doesNotContain("Wendish");
    }

    private static JsonNode groupOf(Caller caller, String family) {
        for (JsonNode group : caller.get("/api/duplicates").json()) {
            if (group.get("members").get(0).get("family").asString().equals(family)) {
                return group;
            }
        }
        throw new AssertionError(family + " has no duplicates");
    }

    private static List<String> formats(Caller caller, String family) {
        List<String> formats = new ArrayList<>();
        caller.get("/api/families/" + family)
                .json()
                .get("files")
                .forEach(file -> formats.add(file.get("format").asString()));
        return formats;
    }

    private static void assertRefused(Caller caller, Map<String, Object> settlement, String why) {
        Answer answer = caller.send("POST", "/api/duplicates/settle", settlement);
        assertThat(answer.status()).isIn(404, 422);
        assertThat(answer.text()).contains(why);
    }

    private static Answer settle(Caller caller, JsonNode group) {
        List<String> members = new ArrayList<>();
        group.get("members")
                .forEach(member -> members.add(member.get("file").get("id").asString()));
        return caller.send(
                "POST",
                "/api/duplicates/settle",
                settlement(group.get("kind").asString(), group.get("keep").asString(), members.toArray(String[]::new)));
    }

    private static Map<String, Object> settlement(String kind, String keep, String... members) {
        return Map.of("kind", kind, "keep", keep, "members", List.of(members));
    }

    private static JsonNode member(JsonNode group, String id) {
        for (JsonNode member : group.get("members")) {
            if (member.get("file").get("id").asString().equals(id)) {
                return member;
            }
        }
        throw new AssertionError(id + " is no member");
    }

    private static List<String> kinds(JsonNode groups) {
        List<String> kinds = new ArrayList<>();
        groups.forEach(group -> kinds.add(group.get("kind").asString()));
        return kinds;
    }

    /** The same drawing in other bytes. */
    private static byte[] changed(byte[] font) {
        byte[] changed = font.clone();
        changed[changed.length - 1] ^= 1;
        return changed;
    }
}
