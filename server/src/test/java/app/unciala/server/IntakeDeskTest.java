package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import app.unciala.server.storage.StagingArea;
import app.unciala.server.storage.StoredFiles;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Archives as vendors pack them, sorted by family and accepted with their licenses; real fonts of Debian packages. */
class IntakeDeskTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static final Path FONTS = Path.of("/usr/share/fonts/truetype");
    private static Caller caller;

    @BeforeAll
    static void signIn() {
        caller = SERVER.signIn();
    }

    @Test
    void anArchiveIsSortedAndItsOpenLicenseIsRecordedWithItAndAllOfItTakenBack() {
        byte[] regular = font("lato/Lato-Regular.ttf");
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("Lato/web/Lato-Regular.woff2", web(regular));
        files.put("Lato/desktop/Lato-Regular.ttf", regular);
        files.put("Lato/desktop/Lato-Bold.ttf", font("lato/Lato-Bold.ttf"));
        files.put("Lato/OFL.txt", text("SIL OPEN FONT LICENSE Version 1.1. Copyright the authors."));
        files.put("Lato/Read me.txt", text("Thank you. For trial purposes only."));
        files.put("Lato/preview.html", text("<p>Lato</p>"));
        files.put("Marl/Gannet-Bold.ttf", Samples.font("Gannet-Bold.ttf"));
        String path = intake("sorted.zip", files);

        JsonNode groups = caller.get(path + "/families").json().get("items");
        assertThat(names(groups)).containsExactly("Gannet", "Lato");
        JsonNode lato = groups.get(1);
        assertThat(lato.get("standing").asString()).isEqualTo("PLAIN");
        assertThat(lato.get("files").asInt()).isEqualTo(3);
        assertThat(lato.get("arrivals")).hasSize(2);
        assertThat(lato.get("classification").asString()).isEqualTo("SANS_SERIF");
        assertThat(lato.get("classificationBecause").asString()).isNotBlank();
        assertThat(lato.get("openLicenses").get(0).get("spdx").asString()).isEqualTo("OFL-1.1");
        assertThat(lato.get("heldId").isNull()).isTrue();
        assertThat(groups.get(0).get("openLicenses"))
                .as("beside no license text")
                .isEmpty();
        assertThat(verdicts(caller.get(path + "/files?family=lato").json()))
                .containsEntry("Lato-Regular.ttf", "NEW_FAMILY")
                .containsEntry("Lato-Bold.ttf", "NEW_FAMILY")
                .as("the desktop file is the source and this one a format of it, although it was found first")
                .containsEntry("Lato-Regular.woff2", "FURTHER_FORMAT");

        JsonNode others = caller.get(path + "/others").json();
        assertThat(verdicts(others))
                .containsEntry("OFL.txt", "LICENSE_TEXT")
                .containsEntry("Read me.txt", "README")
                .containsEntry("preview.html", "NOT_A_FONT");
        JsonNode readme = row(others, "Read me.txt");
        assertThat(readme.get("warnings").toString()).contains("Read me.txt says it is a trial");
        assertThat(caller.get(path + "/items/" + readme.get("id").asString() + "/text")
                        .json()
                        .get("text")
                        .asString())
                .startsWith("Thank you.");

        Answer accepted = caller.send("POST", path + "/accept", Map.of("openLicenses", List.of("OFL-1.1")));
        assertThat(accepted.status()).isEqualTo(200);
        assertThat(accepted.json().get("files").asInt()).isEqualTo(4);
        JsonNode license = caller.get("/api/licenses/"
                        + accepted.json().get("licenseIds").get(0).asString())
                .json();
        assertThat(license.get("terms").get("name").asString()).isEqualTo("SIL Open Font License 1.1");
        assertThat(license.get("familyNames").toString()).contains("Lato").doesNotContain("Gannet");
        assertThat(license.get("agreement").get(0).get("fileName").asString()).isEqualTo("OFL.txt");
        String sha256 = license.get("agreement").get(0).get("sha256").asString();
        assertThat(caller.get("/api/files/" + sha256).text()).startsWith("SIL OPEN FONT LICENSE");
        assertThat(caller.kinds("?family=" + family(accepted, "Lato"))).doesNotContain("NO_LICENSE", "NO_PROOF");
        assertThat(caller.kinds("?family=" + family(accepted, "Gannet"))).contains("NO_LICENSE");

        String undo = "/api/history/" + accepted.json().get("historyId").asString() + "/undo";
        assertThat(caller.send("POST", undo, Map.of()).status()).isLessThan(300);
        assertThat(caller.get("/api/licenses/" + license.get("id").asString()).status())
                .isEqualTo(404);
        assertThat(caller.get("/api/families?name=lato").json().get("items")).isEmpty();
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("REVIEW");
        caller.delete(path);
    }

    @Test
    void textsThatCameAlongStayWithAnAcceptedIntake() {
        String path = intake(
                "marl.zip",
                Map.of(
                        "Lanthorn-Regular.ttf",
                        Samples.font("Lanthorn-Regular.ttf"),
                        "Read me.txt",
                        text("Thank you.")));
        String readme = row(caller.get(path + "/others").json(), "Read me.txt")
                .get("id")
                .asString();
        caller.send("POST", path + "/accept", Map.of());
        SERVER.bean(StagingArea.class).clear(path.substring(path.lastIndexOf('/') + 1));
        SERVER.clock().forward(Duration.ofDays(30));
        SERVER.bean(StoredFiles.class).collect();
        assertThat(caller.get(path + "/items/" + readme + "/text")
                        .json()
                        .get("text")
                        .asString())
                .isEqualTo("Thank you.");
    }

    @Test
    void anOpenLicenseUnderWhichNothingCameIsRefusedAndNothingGoesIn() {
        String path = intake("gannet.zip", Map.of("Gannet-Bold.ttf", Samples.font("Gannet-Bold.ttf")));
        for (Map.Entry<String, String> refused : Map.of(
                        "OFL-1.1", "None of the files", "Foundry-1", "isn’t an open license")
                .entrySet()) {
            Answer answer = caller.send("POST", path + "/accept", Map.of("openLicenses", List.of(refused.getKey())));
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.text()).contains(refused.getValue()).contains("openLicenses");
        }
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("REVIEW");
        assertThat(caller.get("/api/families?name=gannet").json().get("items")).isEmpty();
        caller.delete(path);
    }

    @Test
    void aNewerVersionIsAskedAboutAndTakesThePlaceOfTheHeldOne() {
        byte[] held = Samples.font("Osier-Regular.ttf");
        String family = caller.hold("Osier-Regular.ttf");
        byte[] newer = version(held, "Version 99.5");
        String path = intake("osier.zip", Map.of("Osier-Regular.ttf", newer));
        JsonNode group = caller.get(path + "/families").json().get("items").get(0);
        assertThat(group.get("standing").asString()).isEqualTo("DECIDE");
        assertThat(group.get("heldId").asString()).isEqualTo(family);
        assertThat(group.get("held")).hasSize(1);
        assertThat(group.get("undecided").asInt()).isEqualTo(1);
        JsonNode file = caller.get(path + "/files?family=osier").json().get(0);
        assertThat(file.get("verdict").asString()).isEqualTo("NEWER_VERSION");
        assertThat(file.get("asks").asBoolean()).isTrue();
        assertThat(caller.send("POST", path + "/accept", Map.of()).status())
                .as("nothing goes in before somebody decides")
                .isEqualTo(422);

        String item = path + "/items/" + file.get("id").asString();
        assertThat(group.get("arrivals").get(0).get("asks").asBoolean()).isTrue();
        caller.send("PATCH", item, Map.of("included", false));
        JsonNode left = caller.get(path + "/families").json().get("items").get(0);
        assertThat(left.get("arrivals").get(0).get("asks").asBoolean())
                .as("decided")
                .isFalse();
        assertThat(caller.send("PATCH", item, Map.of("included", true, "replaces", true))
                        .json()
                        .get("asks")
                        .asBoolean())
                .isFalse();
        Answer accepted = caller.send("POST", path + "/accept", Map.of());
        JsonNode files = caller.get("/api/families/" + family).json().get("files");
        assertThat(files).hasSize(1);
        assertThat(files.get(0).get("fontVersion").asString()).isEqualTo("Version 99.5");
        JsonNode superseded =
                caller.get("/api/families/" + family + "/superseded").json();
        assertThat(superseded).hasSize(1);
        assertThat(superseded.get(0).get("fontVersion").asString()).isNotEqualTo("Version 99.5");
        assertThat(caller.get("/api/files/" + superseded.get(0).get("sha256").asString())
                        .bytes())
                .isEqualTo(held);
        assertThat(caller.kinds("?family=" + family)).doesNotContain("SLOT_CLASH");

        String old = superseded.get(0).get("id").asString();
        String holdAgain = "/api/families/" + family + "/superseded/" + old + "/held";
        assertThat(caller.send("POST", holdAgain, Map.of(), Map.of("If-Match", "\"0\""))
                        .status())
                .as("somebody else changed the family meanwhile")
                .isEqualTo(412);
        String tag = caller.get("/api/families/" + family).header("ETag");
        Answer swapped = caller.send("POST", holdAgain, Map.of(), Map.of("If-Match", tag));
        assertThat(swapped.status()).as(swapped.text()).isEqualTo(200);
        assertThat(held(family)).containsExactly(old);
        assertThat(caller.get("/api/families/" + family + "/superseded").json())
                .hasSize(1)
                .first()
                .satisfies(
                        gone -> assertThat(gone.get("fontVersion").asString()).isEqualTo("Version 99.5"));
        assertThat(caller.kinds("?family=" + family)).doesNotContain("SLOT_CLASH");
        caller.send("POST", "/api/history/" + swapped.json().get("historyId").asString() + "/undo", Map.of());
        assertThat(held(family)).containsExactly(files.get(0).get("id").asString());

        caller.send("POST", "/api/history/" + accepted.json().get("historyId").asString() + "/undo", Map.of());
        JsonNode again = caller.get("/api/families/" + family).json().get("files");
        assertThat(again).hasSize(1);
        assertThat(again.get(0).get("sha256")).isEqualTo(superseded.get(0).get("sha256"));
        assertThat(caller.get("/api/families/" + family + "/superseded").json()).isEmpty();
        caller.delete(path);
    }

    /** The ids of the files that a family holds. */
    private static List<String> held(String family) {
        return caller.get("/api/families/" + family)
                .json()
                .get("files")
                .valueStream()
                .map(file -> file.get("id").asString())
                .toList();
    }

    @Test
    void aRenamedCopyOfWhatIsHeldIsRecognizedByItsDrawing() {
        caller.hold("Brantle-Regular.ttf");
        Sfnt face = FontReader.read(Samples.font("Brantle-Regular.ttf")).faces().get(0);
        byte[] copy = FontWriter.write(shifted(named(face, "Quillon", "Version 1.0")), FontFormat.TTF);
        String path = intake("quillon.zip", Map.of("Quillon.ttf", copy));
        JsonNode file = caller.get(path + "/files?family=quillon").json().get(0);
        assertThat(file.get("verdict").asString()).isEqualTo("RENAMED_COPY");
        assertThat(file.get("because").asString()).contains("Brantle-Regular.ttf in Brantle");
        caller.delete(path);
    }

    @Test
    void aWholeFamilyIsCorrectedAtOnce() {
        String path = intake(
                "fenwick.zip",
                Map.of(
                        "a/FenwickGrotesk-Bold.ttf", Samples.font("FenwickGrotesk-Bold.ttf"),
                        "b/Penmarrow-Regular.ttf", Samples.font("Penmarrow-Regular.ttf")));
        JsonNode groups = caller.get(path + "/families").json().get("items");
        String key = groups.get(0).get("key").asString();
        Map<String, Object> correction =
                Map.of("family", "Fenwick", "foundry", "Fenwick Type", "classification", "DISPLAY");
        assertThat(caller.send("PATCH", path + "/files?family=" + key, correction)
                        .json()
                        .get("files")
                        .asInt())
                .isEqualTo(1);
        JsonNode fenwick = caller.get(path + "/families").json().get("items").get(0);
        assertThat(fenwick.get("name").asString()).isEqualTo("Fenwick");
        assertThat(fenwick.get("foundry").asString()).isEqualTo("Fenwick Type");
        assertThat(fenwick.get("classification").asString()).isEqualTo("DISPLAY");
        assertThat(caller.send("PATCH", path + "/files?family=penmarrow", Map.of("included", false))
                        .status())
                .isEqualTo(200);
        JsonNode left = caller.get(path + "/families").json().get("items").get(1);
        assertThat(left.get("standing").asString()).isEqualTo("NOTHING_NEW");

        assertThat(caller.send("PATCH", path + "/files?family=nobody", correction)
                        .status())
                .isEqualTo(404);
        assertThat(caller.send("PATCH", path + "/files?family=fenwick", Map.of("family", " "))
                        .status())
                .isEqualTo(422);
        assertThat(caller.send("PATCH", path + "/files?family=fenwick", Map.of("foundry", "x".repeat(301)))
                        .status())
                .isEqualTo(422);
        assertThat(caller.send("PATCH", path + "/files?family=fenwick", Map.of("slot", Samples.face(400, "upright")))
                        .status())
                .isEqualTo(422);
        assertThat(caller.send("PATCH", path + "/files?family=fenwick", Map.of("classification", "WEDGE"))
                        .status())
                .isBetween(400, 422);

        JsonNode accepted = caller.send("POST", path + "/accept", Map.of()).json();
        JsonNode family = caller.get(
                        "/api/families/" + accepted.get("familyIds").get(0).asString())
                .json();
        assertThat(family.get("foundry").asString()).isEqualTo("Fenwick Type");
        assertThat(family.get("classification").asString()).isEqualTo("DISPLAY");
    }

    @Test
    void familiesComePageByPageInOneOrder() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (String name : List.of("Lato-Regular", "Lato-Italic")) {
            files.put(name + ".ttf", font("lato/" + name + ".ttf"));
        }
        files.put("DejaVuSans.ttf", font("dejavu/DejaVuSans.ttf"));
        files.put("DejaVuSerif.ttf", font("dejavu/DejaVuSerif.ttf"));
        files.put("DejaVuSansMono.ttf", font("dejavu/DejaVuSansMono.ttf"));
        String path = intake("pages.zip", files);
        List<String> all = new ArrayList<>();
        String cursor = "";
        do {
            JsonNode page =
                    caller.get(path + "/families?limit=1&cursor=" + cursor).json();
            all.addAll(names(page.get("items")));
            cursor = page.get("next").isNull() ? "" : page.get("next").asString();
        } while (!cursor.isEmpty());
        assertThat(all).containsExactly("DejaVu Sans", "DejaVu Sans Mono", "DejaVu Serif", "Lato");
        assertThat(caller.get(path + "/families?cursor=none").status()).isEqualTo(422);
        caller.delete(path);
    }

    @Test
    void howFarItIsReadIsToldAsEventsThatEndWhenItIsRead() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int i = 0; i < 40; i++) {
            files.put(i + "/DejaVuSans.ttf", font("dejavu/DejaVuSans.ttf"));
        }
        String id = caller.upload("/api/intakes", "files", Map.of("forty.zip", Samples.zip(files)))
                .json()
                .get("id")
                .asString();
        String path = "/api/intakes/" + id;
        Answer events = caller.get(path + "/progress");
        assertThat(events.header("Content-Type")).startsWith("text/event-stream");
        assertThat(events.text()).startsWith("data:");
        assertThat(events.text().strip()).contains("\"state\":\"REVIEW\"").contains("\"files\":40");
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("REVIEW");
        assertThat(caller.get(path + "/progress").text()).as("read already").contains("REVIEW");
        assertThat(caller.get("/api/intakes/none/progress").status()).isEqualTo(404);
        assertThat(SERVER.stranger().get(path + "/progress").status()).isEqualTo(401);
        caller.delete(path);
    }

    @Test
    void textsThatAreNotPlainAreNotShownAsText() {
        String path = intake("texts.zip", Map.of("EULA.pdf", text("%PDF-1.4 not shown"), "License.txt", new byte[] {
            'L', 'i', 'z', 'e', 'n', 'z', ' ', (byte) 0xFC, 'b', 'e', 'r'
        }));
        JsonNode others = caller.get(path + "/others").json();
        String pdf = row(others, "EULA.pdf").get("id").asString();
        assertThat(caller.get(path + "/items/" + pdf + "/text").status()).isEqualTo(422);
        assertThat(caller.get(path + "/items/" + pdf + "/bytes").status()).isEqualTo(200);
        String old = row(others, "License.txt").get("id").asString();
        assertThat(caller.get(path + "/items/" + old + "/text")
                        .json()
                        .get("text")
                        .asString())
                .isEqualTo("Lizenz über");
        caller.delete(path);
    }

    private static String intake(String name, Map<String, byte[]> files) {
        JsonNode intake = caller.takeIn(Map.of(name, Samples.zip(files)));
        assertThat(intake.get("state").asString()).isEqualTo("REVIEW");
        return "/api/intakes/" + intake.get("summary").get("id").asString();
    }

    private static String family(Answer accepted, String name) {
        for (JsonNode id : accepted.json().get("familyIds")) {
            if (caller.get("/api/families/" + id.asString())
                    .json()
                    .get("name")
                    .asString()
                    .equals(name)) {
                return id.asString();
            }
        }
        throw new AssertionError(name + " did not go in");
    }

    private static List<String> names(JsonNode groups) {
        List<String> names = new ArrayList<>();
        groups.forEach(group -> names.add(group.get("name").asString()));
        return names;
    }

    private static Map<String, String> verdicts(JsonNode rows) {
        Map<String, String> verdicts = new LinkedHashMap<>();
        rows.forEach(row -> verdicts.put(base(row), row.get("verdict").asString()));
        return verdicts;
    }

    private static JsonNode row(JsonNode rows, String name) {
        for (JsonNode row : rows) {
            if (base(row).equals(name)) {
                return row;
            }
        }
        throw new AssertionError(name + " is not listed");
    }

    private static String base(JsonNode row) {
        String path = row.get("path").asString();
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static byte[] text(String words) {
        return words.getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] font(String name) {
        try {
            return Files.readAllBytes(FONTS.resolve(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] web(byte[] font) {
        return FontWriter.write(FontReader.read(font).faces().get(0), FontFormat.WOFF2);
    }

    /** A face drawn almost the same, which says that it is of another version. */
    private static byte[] version(byte[] font, String version) {
        Sfnt face = FontReader.read(font).faces().get(0);
        return FontWriter.write(shifted(named(face, "", version)), FontFormat.TTF);
    }

    private static Sfnt named(Sfnt face, String family, String version) {
        List<NameRecord> names = new ArrayList<>();
        for (NameRecord record : NameTable.read(face).records()) {
            boolean isFamily = record.nameId() == NameTable.FAMILY && !family.isEmpty();
            if (record.nameId() <= NameTable.VERSION) {
                String text = isFamily ? family : record.nameId() == NameTable.VERSION ? version : record.text();
                names.add(
                        new NameRecord(record.platform(), record.encoding(), record.language(), record.nameId(), text));
            }
        }
        return face.with("name", NameWriter.write(names));
    }

    private static Sfnt shifted(Sfnt face) {
        byte[] hmtx = face.tables().get("hmtx").toArray();
        assertThat(HmtxTable.read(face).advances().length).isGreaterThan(1);
        hmtx[1] ^= 3;
        return face.with("hmtx", ByteView.of(hmtx, "hmtx").toArray());
    }
}
