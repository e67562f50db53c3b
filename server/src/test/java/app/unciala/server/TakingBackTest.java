package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import app.unciala.server.retention.Retention;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What is taken back still is what it left, and what stands against it is said. */
class TakingBackTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;

    @BeforeAll
    static void signIn() {
        caller = SERVER.signIn();
    }

    @Test
    void aLicenseWhoseHolderIsDeletedIsNotRestoredAlone() {
        String family = caller.holdAs("Penmarrow-Regular.ttf", "Burdock");
        String holder = client("Teasel Ltd");
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "a.example"));
        terms.put("holderId", holder);
        String license =
                caller.send("POST", "/api/licenses", terms).json().get("id").asString();
        String licenseGone = delete("/api/licenses/" + license);
        String clientGone = delete("/api/clients/" + holder);

        Answer refused = undo(licenseGone);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("held by Teasel Ltd, who was deleted. Restore the client first.");
        assertThat(undo(clientGone).status()).isEqualTo(204);
        assertThat(undo(licenseGone).status()).isEqualTo(204);
        assertThat(caller.get("/api/licenses/" + license).status()).isEqualTo(200);
    }

    @Test
    void aSiteWhoseClientIsDeletedIsNotRestoredAlone() {
        String site = caller.site("Comfrey", "comfrey.example", caller.holdAs("Wendlow-Regular.ttf", "Woad"), 400);
        String client = caller.get("/api/sites/" + site).json().get("clientId").asString();
        String siteGone = delete("/api/sites/" + site);
        delete("/api/clients/" + client);
        Answer refused = undo(siteGone);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("Comfrey is a site of Client of Comfrey, who was deleted");
    }

    @Test
    void nothingIsSaidToBeRestoredThatIsGoneForGood() {
        String gone = delete("/api/clients/" + client("Yarrow Ltd"));
        SERVER.clock().forward(Duration.ofDays(8));
        SERVER.bean(Retention.class).purge();
        Answer refused = undo(gone);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("Couldn’t restore the client: it has been deleted for good");
    }

    @Test
    void aLicenseThatASiteReliesOnStaysWhenItsIntakeIsTakenBack() {
        String family = caller.holdAs("Osier-Regular.ttf", "Madder");
        String site = caller.site("Weld", "weld.example", family, 400);
        Answer accepted = acceptOpen("Lanthorn-Regular.ttf", "Madder", 700);
        String license = accepted.json().get("licenseIds").get(0).asString();
        assertThat(caller.kinds("?site=" + site)).doesNotContain("NO_LICENSE");

        assertThat(undo(accepted.json().get("historyId").asString()).status()).isEqualTo(204);

        assertThat(caller.get("/api/families/" + family).json().get("files")).hasSize(1);
        assertThat(caller.get("/api/licenses/" + license).status()).isEqualTo(200);
        assertThat(caller.kinds("?site=" + site)).doesNotContain("NO_LICENSE");
        assertThat(mended()).isZero();
    }

    @Test
    void aLicenseThatNothingReliesOnGoesWithItsIntake() {
        Answer accepted = acceptOpen("Vellumine-Regular.ttf", "Alkanet", 400);
        String license = accepted.json().get("licenseIds").get(0).asString();
        assertThat(undo(accepted.json().get("historyId").asString()).status()).isEqualTo(204);
        assertThat(caller.get("/api/licenses/" + license).status()).isEqualTo(404);
        assertThat(mended()).isZero();
    }

    @Test
    void whatWasSettledInADeletedFamilyStaysSettled() {
        String copy = caller.hold("Codeface-Regular.ttf");
        JsonNode intake = caller.takeIn(Map.of("TilletMono-Regular.ttf", Samples.font("TilletMono-Regular.ttf")));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        caller.send(
                "PATCH",
                path + "/items/" + intake.get("rows").get(0).get("id").asString(),
                Map.of("included", true, "family", "Tillet Mono"));
        JsonNode accepted = caller.send("POST", path + "/accept", Map.of()).json();
        String kept = accepted.get("familyIds").get(0).asString();
        String keep = file(kept);
        Answer settled = caller.send(
                "POST",
                "/api/duplicates/settle",
                Map.of("kind", "TWO_NAMES", "keep", keep, "members", List.of(keep, file(copy))));
        assertThat(settled.status()).as(settled.text()).isEqualTo(200);
        assertThat(caller.get("/api/families/" + copy).status())
                .as("its last file is retired")
                .isEqualTo(404);

        assertThat(undo(accepted.get("historyId").asString()).status()).isEqualTo(204);

        assertThat(caller.get("/api/families/" + copy).status()).isEqualTo(404);
        assertThat(mended()).isZero();
    }

    private static int mended() {
        return caller.send("POST", "/api/flags/comparison", Map.of())
                .json()
                .get("mended")
                .asInt();
    }

    private static String file(String family) {
        return caller.get("/api/families/" + family)
                .json()
                .get("files")
                .get(0)
                .get("id")
                .asString();
    }

    private static String client(String name) {
        return caller.send("POST", "/api/clients", Map.of("name", name))
                .json()
                .get("id")
                .asString();
    }

    /** Deletes a record; gives the entry of the history by which that is undone. */
    private static String delete(String path) {
        Answer deleted = caller.delete(path, caller.get(path).header("ETag"));
        assertThat(deleted.status()).as(deleted.text()).isEqualTo(200);
        return deleted.json().get("historyId").asString();
    }

    private static Answer undo(String entry) {
        return caller.send("POST", "/api/history/" + entry + "/undo", Map.of());
    }

    /** Takes in a font under the SIL Open Font License, which is recorded with it. */
    private static Answer acceptOpen(String fileName, String family, int weight) {
        JsonNode intake = caller.takeIn(Map.of(fileName, open(Samples.font(fileName))));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        caller.send(
                "PATCH",
                path + "/items/" + intake.get("rows").get(0).get("id").asString(),
                Map.of("included", true, "family", family, "slot", Samples.face(weight, "upright")));
        Answer accepted = caller.send("POST", path + "/accept", Map.of("openLicenses", List.of("OFL-1.1")));
        assertThat(accepted.status()).as(accepted.text()).isEqualTo(200);
        return accepted;
    }

    private static byte[] open(byte[] font) {
        Sfnt face = FontReader.read(font).faces().get(0);
        List<NameRecord> records = new ArrayList<>(NameTable.read(face).records());
        records.removeIf(record -> record.nameId() == NameTable.LICENSE);
        records.add(new NameRecord(
                NameTable.WINDOWS,
                NameTable.WINDOWS_UNICODE,
                NameTable.US_ENGLISH,
                NameTable.LICENSE,
                "Licensed under the SIL Open Font License, Version 1.1."));
        return FontWriter.write(face.with("name", NameWriter.write(records)), FontFormat.TTF);
    }
}
