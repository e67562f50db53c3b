package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** One person's way from an archive to a pack, over HTTP. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class WholePathTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String familyId;
    private static String licenseId;
    private static String siteId;

    @Test
    @Order(1)
    void anArchiveIsReadAndNothingIsHeldBeforeItIsAccepted() {
        caller = SERVER.signIn();
        byte[] archive = Samples.zip(Map.of(
                "fonts/Penmarrow-Regular.ttf", Samples.font("Penmarrow-Regular.ttf"),
                "fonts/LICENSE.txt", "terms".getBytes(StandardCharsets.UTF_8)));
        JsonNode intake = caller.takeIn(Map.of("penmarrow.zip", archive));
        assertThat(intake.get("state").asString()).isEqualTo("REVIEW");
        assertThat(verdicts(intake))
                .containsEntry("Penmarrow-Regular.ttf", "NEW_FAMILY")
                .containsEntry("LICENSE.txt", "LICENSE_TEXT");
        assertThat(caller.get("/api/families").json().get("items")).isEmpty();

        String id = intake.get("summary").get("id").asString();
        String row = rowOf(intake, "Penmarrow-Regular.ttf");
        Answer corrected =
                caller.send("PATCH", "/api/intakes/" + id + "/items/" + row, Map.of("family", "Penmarrow Text"));
        assertThat(corrected.status()).isEqualTo(200);
        Answer accepted = caller.send("POST", "/api/intakes/" + id + "/accept", Map.of());
        familyId = accepted.json().get("familyIds").get(0).asString();
        JsonNode family = caller.get("/api/families/" + familyId).json();
        assertThat(family.get("name").asString()).isEqualTo("Penmarrow Text");
        String sha256 = family.get("files").get(0).get("sha256").asString();
        Answer bytes = caller.get("/api/files/" + sha256);
        assertThat(bytes.bytes()).isEqualTo(Samples.font("Penmarrow-Regular.ttf"));
        assertThat(bytes.header("Cache-Control")).contains("immutable");
        assertThat(caller.send("POST", "/api/intakes/" + id + "/accept", Map.of())
                        .status())
                .isEqualTo(409);
    }

    @Test
    @Order(2)
    void aSiteThatAsksIsFlaggedUntilItIsLicensedAndHeld() {
        assertThat(kinds("")).containsExactly("NO_LICENSE");
        assertThat(kinds("?group=&site=&family=&license=")).containsExactly("NO_LICENSE");
        String clientId = caller.send("POST", "/api/clients", Map.of("name", "Client"))
                .json()
                .get("id")
                .asString();
        List<Map<String, Object>> faces = List.of(Samples.face(400, "upright"), Samples.face(700, "upright"));
        Answer site = caller.send(
                "POST",
                "/api/sites",
                Map.of(
                        "clientId",
                        clientId,
                        "name",
                        "Site",
                        "domains",
                        List.of("https://Client.example/"),
                        "roles",
                        List.of(Samples.role("RUNNING_TEXT", familyId, faces))));
        assertThat(site.status()).isEqualTo(201);
        siteId = site.json().get("id").asString();
        assertThat(site.json().get("domains").get(0).asString()).isEqualTo("client.example");
        assertThat(kinds("?site=" + siteId)).containsExactly("NO_LICENSE", "FACE_NOT_HELD");
        assertThat(kinds("?group=missing")).containsExactly("FACE_NOT_HELD", "WEB_FORMAT_NOT_HELD");
        assertThat(caller.send("POST", "/api/sites/" + siteId + "/packs", Map.of())
                        .status())
                .isEqualTo(409);

        Answer license = caller.send("POST", "/api/licenses", Samples.license(familyId, "other.example"));
        licenseId = license.json().get("id").asString();
        assertThat(kinds("?license=" + licenseId)).containsExactly("DOMAIN_NOT_PERMITTED");
        Answer edited = caller.send(
                "PUT",
                "/api/licenses/" + licenseId,
                Samples.license(familyId, "client.example"),
                Map.of("If-Match", license.header("ETag")));
        assertThat(edited.status()).isEqualTo(200);
        assertThat(kinds("?group=unlicensed")).isEmpty();
    }

    @Test
    @Order(3)
    void anEditOfAnOldVersionIsRefused() {
        Map<String, Object> draft = Samples.license(familyId, "stale.example");
        String path = "/api/licenses/" + licenseId;
        assertThat(caller.send("PUT", path, draft, Map.of("If-Match", "\"0\"")).status())
                .isEqualTo(412);
        assertThat(caller.send("PUT", path, draft).status()).isEqualTo(428);
        assertThat(caller.get(path).text()).doesNotContain("stale.example");
    }

    @Test
    @Order(4)
    void makingTheWoff2AndTakingInTheBoldSolvesWhatIsMissing() {
        String file = caller.get("/api/families/" + familyId)
                .json()
                .get("files")
                .get(0)
                .get("id")
                .asString();
        String path = "/api/families/" + familyId + "/files/" + file;
        assertThat(caller.send("POST", path + "/formats/woff2", Map.of()).status())
                .isEqualTo(201);
        assertThat(caller.send("POST", path + "/formats/woff2", Map.of()).status())
                .isEqualTo(409);
        JsonNode intake = caller.takeIn(Map.of("Bold.ttf", Samples.font("Penmarrow-Bold.ttf")));
        String id = intake.get("summary").get("id").asString();
        caller.send(
                "PATCH",
                "/api/intakes/" + id + "/items/" + rowOf(intake, "Bold.ttf"),
                Map.of("family", "penmarrow-text"));
        caller.send("POST", "/api/intakes/" + id + "/accept", Map.of());
        assertThat(kinds("")).containsExactly("WEB_FORMAT_NOT_HELD");
        JsonNode rows = caller.get("/api/sites/" + siteId + "/comparison").json();
        assertThat(rows).hasSize(2);
        assertThat(rows.get(0).get("verdict").asString()).isEqualTo("ALLOWED");
        String bold = "/api/families/" + familyId + "/files/" + boldFile();
        assertThat(caller.delete(bold).status()).isEqualTo(428);
        assertThat(caller.delete(bold, caller.get("/api/families/" + familyId).header("ETag"))
                        .status())
                .as("the only file for a face that a site asks for")
                .isEqualTo(409);
    }

    @Test
    @Order(5)
    void thePackHoldsAWoff2ForEveryFaceAndTheRulesForIt() throws IOException {
        Answer made = caller.send("POST", "/api/sites/" + siteId + "/packs", Map.of());
        assertThat(made.status()).isEqualTo(201);
        String id = made.json().get("id").asString();
        assertThat(caller.get("/api/packs/" + id).json().get("siteId").asString())
                .isEqualTo(siteId);
        Map<String, byte[]> files =
                unzip(caller.get("/api/packs/" + id + ".zip").bytes());
        List<String> fonts =
                files.keySet().stream().filter(path -> path.endsWith(".woff2")).toList();
        assertThat(fonts).hasSize(2);
        String css = new String(files.get("type.css"), StandardCharsets.UTF_8);
        for (String font : fonts) {
            assertThat(FontReader.read(files.get(font)).format()).isEqualTo(FontFormat.WOFF2);
            assertThat(css).contains("url(\"" + font + "\")");
        }
        assertThat(css).contains("font-weight: 700").contains("--type-running-text: \"Penmarrow Text\"");
        assertThat(files).containsKeys("specimen.html", "LICENSES.txt");
    }

    @Test
    @Order(6)
    void searchFindsByNameDomainAndFile() {
        assertThat(caller.get("/api/search?q=penmarrow").text()).contains(familyId);
        assertThat(caller.get("/api/search?q=client.example").text())
                .contains(siteId)
                .contains(licenseId);
        Answer held = caller.upload("/api/search", "file", Map.of("renamed.bin", Samples.font("Penmarrow-Bold.ttf")));
        assertThat(held.text()).contains(familyId).contains("the same file");
        Answer unknown = caller.upload("/api/search", "file", Map.of("x.ttf", Samples.font("Ostrel-Bold.ttf")));
        assertThat(unknown.json().get("held").asBoolean()).isFalse();
        assertThat(caller.get("/api/history").json().get("items").size()).isGreaterThan(6);
    }

    private static String boldFile() {
        for (JsonNode file : caller.get("/api/families/" + familyId).json().get("files")) {
            if (file.get("slot").get("weight").asInt() == 700) {
                return file.get("id").asString();
            }
        }
        throw new IllegalStateException("no bold");
    }

    private static List<String> kinds(String query) {
        List<String> kinds = new ArrayList<>();
        caller.get("/api/flags" + query)
                .json()
                .get("items")
                .forEach(flag -> kinds.add(flag.get("kind").asString()));
        return kinds;
    }

    private static Map<String, String> verdicts(JsonNode intake) {
        Map<String, String> verdicts = new LinkedHashMap<>();
        intake.get("rows")
                .forEach(row -> verdicts.put(
                        row.get("path").asString().replaceAll("^.*/", ""),
                        row.get("verdict").asString()));
        return verdicts;
    }

    private static String rowOf(JsonNode intake, String name) {
        for (JsonNode row : intake.get("rows")) {
            if (row.get("path").asString().endsWith(name)) {
                return row.get("id").asString();
            }
        }
        throw new IllegalStateException("no row for " + name);
    }

    private static Map<String, byte[]> unzip(byte[] archive) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), zip.readAllBytes());
            }
        }
        return files;
    }
}
