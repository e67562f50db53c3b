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
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** “Do we hold this, and may we use it?”, by names half remembered and by files. */
class SearchTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String penmarrow;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        penmarrow = caller.hold("Penmarrow-Regular.ttf");
        caller.hold("Penmarrow-Bold.ttf");
        caller.hold("Osier-Regular.ttf");
        caller.site("Tarn Bakery", "tarn.example", penmarrow, 400);
        caller.send("POST", "/api/licenses", Samples.license(penmarrow, "elsewhere.example"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "penmarrow tarn.example | Penmarrow on Tarn Bakery | refused",
                "penmarow on tarn bakery | Penmarrow on Tarn Bakery | refused",
                "tarn penmarrow bold | Penmarrow on Tarn Bakery | refused",
                "penmarrow elsewhere.example | Penmarrow on elsewhere.example | allowed",
                "penmarrow shop.elsewhere.example | Penmarrow on shop.elsewhere.example | not stated",
                "osier tarn.example | Osier on Tarn Bakery | refused, no license covers it",
            })
    void aFamilyAndAPlaceInOneLineGiveTheVerdict(String typed, String name, String verdict) {
        JsonNode answer = search(typed);
        assertThat(answer.get("held").asBoolean()).isTrue();
        JsonNode first = answer.get("hits").get(0);
        assertThat(first.get("type").asString()).isEqualTo("VERDICT");
        assertThat(first.get("name").asString()).isEqualTo(name);
        assertThat(first.get("detail").asString()).startsWith(verdict);
    }

    @ParameterizedTest
    @CsvSource({"penmarrow", "penmarrow bold", "tarn bakery", "nothing tarn.example", "penmarrow nowhere"})
    void whatNamesNoFamilyAndNoPlaceGivesNone(String typed) {
        search(typed).get("hits").forEach(hit -> assertThat(hit.get("type").asString())
                .isNotEqualTo("VERDICT"));
    }

    @ParameterizedTest
    @CsvSource({
        "penmarrow, Penmarrow, ''",
        "PEN marrow, Penmarrow, ''",
        "penmarow, Penmarrow, ''",
        "penmarrow bd, Penmarrow Bold, 700-100-upright",
        "pnemarrow bold, Penmarrow Bold, 700-100-upright",
        "penmarrow 700, Penmarrow Bold, 700-100-upright",
    })
    void aNameHalfRememberedIsHeldAndAFaceLeadsToItself(String typed, String name, String face) {
        JsonNode answer = search(typed);
        assertThat(answer.get("held").asBoolean()).isTrue();
        JsonNode first = answer.get("hits").get(0);
        assertThat(first.get("id").asString()).isEqualTo(penmarrow);
        assertThat(first.get("name").asString()).isEqualTo(name);
        assertThat(first.get("face").asString()).isEqualTo(face);
    }

    @Test
    void whatIsNotHeldIsSaidToBeNotHeldWithTheNearest() {
        JsonNode none = search("helvarro");
        assertThat(none.get("held").asBoolean()).isFalse();
        assertThat(none.get("hits")).isEmpty();
        JsonNode italic = search("penmarrow italic");
        assertThat(italic.get("held").asBoolean())
                .as("the family is held, that face of it is not")
                .isFalse();
        assertThat(italic.get("hits").get(0).get("name").asString()).isEqualTo("Penmarrow");
    }

    @Test
    void aHitSaysUnderWhichLicenseItIsWhereItIsUsedAndWhereItMayNotBe() {
        String detail = search("penmarrow").get("hits").get(0).get("detail").asString();
        assertThat(detail)
                .isEqualTo("2 files; licensed by Test license; used on Tarn Bakery; not allowed on Tarn Bakery");
        assertThat(search("osier").get("hits").get(0).get("detail").asString()).isEqualTo("1 file; no license");
    }

    @Test
    void filesSitesClientsDomainsAndLicensesAreFoundByTheirNames() {
        assertThat(types("tarn.example")).contains("SITE");
        assertThat(types("client of tarn")).contains("SITE");
        assertThat(types("test license")).contains("LICENSE");
        assertThat(types("Penmarrow-Bold.ttf")).contains("FILE");
        JsonNode file =
                caller.get("/api/families/" + penmarrow).json().get("files").get(0);
        assertThat(types(file.get("sha256").asString().substring(0, 12))).contains("FILE");
        assertThat(search("").get("hits")).isEmpty();
        assertThat(search("x".repeat(5000)).get("hits")).isEmpty();
    }

    @Test
    void aRenamedFamilyIsFoundByItsNewNameAtOnce() {
        String id = caller.hold("Gannet-Bold.ttf");
        Answer read = caller.get("/api/families/" + id);
        caller.send("PUT", "/api/families/" + id, Map.of("name", "Kittiwake"), Map.of("If-Match", read.header("ETag")));
        assertThat(search("kitiwake").get("hits").get(0).get("id").asString()).isEqualTo(id);
        assertThat(search("gannet").get("held").asBoolean()).isFalse();
    }

    @Test
    void aFileIsAnsweredByItsBytesItsDrawingOrTheNearestDrawing() {
        byte[] regular = Samples.font("Penmarrow-Regular.ttf");
        assertThat(file("a.bin", regular).get("hits").get(0).get("detail").asString())
                .isEqualTo("the same file");
        Sfnt face = FontReader.read(regular).faces().get(0);
        JsonNode converted = file("a.woff2", FontWriter.write(face, FontFormat.WOFF2));
        assertThat(converted.get("held").asBoolean()).isTrue();
        assertThat(converted.get("hits").get(0).get("detail").asString())
                .isEqualTo("the same outlines in another file");

        byte[] cut = FontWriter.write(Subsetter.subset(face, SubsetPlan.ofText("aegnorst")), FontFormat.TTF);
        JsonNode near = file("cut.ttf", cut);
        assertThat(near.get("held").asBoolean()).isFalse();
        assertThat(near.get("hits").get(0).get("name").asString()).isEqualTo("Penmarrow Regular");
        assertThat(near.get("hits").get(0).get("detail").asString()).isEqualTo("100% similar");

        Answer damaged = caller.upload("/api/search", "file", Map.of("x.ttf", new byte[] {0, 1, 0, 0, 9}));
        assertThat(damaged.status()).isEqualTo(422);
        assertThat(damaged.text()).contains("x.ttf");
    }

    private static JsonNode file(String name, byte[] bytes) {
        return caller.upload("/api/search", "file", new LinkedHashMap<>(Map.of(name, bytes)))
                .json();
    }

    private static List<String> types(String typed) {
        List<String> types = new ArrayList<>();
        search(typed).get("hits").forEach(hit -> types.add(hit.get("type").asString()));
        return types;
    }

    private static JsonNode search(String typed) {
        return caller.get("/api/search?q=" + URLEncoder.encode(typed, StandardCharsets.UTF_8))
                .json();
    }
}
