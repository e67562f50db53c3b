package app.unciala.server;

import static app.unciala.server.testing.DeliveredSite.only;
import static app.unciala.server.testing.DeliveredSite.text;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.FvarTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.DeliveredSite;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What licenses let go out in packs, and what is said and flagged of the rest. */
class LicensedDeliveryTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static DeliveredSite delivered;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        delivered = DeliveredSite.of(caller, "Tarn Bakery", "tarn.example", caller.hold("Penmarrow-Regular.ttf"));
    }

    @Test
    void aFaceIsNotPutIntoTheStyleSheetUnlessItsLicensesAllowThat() throws IOException {
        Map<String, Object> inline = Map.of("kind", "INLINE");
        delivered.deliver(inline);
        for (String said : List.of("REFUSED", "NOT_STATED")) {
            delivered.terms(Map.of("inlining", said));
            Answer made = caller.send("POST", "/api/sites/" + delivered.id() + "/packs", Map.of());
            assertThat(made.status()).isEqualTo(409);
            assertThat(made.text())
                    .contains("Penmarrow Regular: inlining in a page or style sheet is "
                            + (said.equals("REFUSED") ? "refused" : "not stated; ask the vendor"));
        }
        delivered.terms(Map.of("inlining", "GRANTED"));
        delivered.deliver(inline);
        assertThat(text(delivered.pack(), "type.css")).contains("data:font/woff2;base64,");
    }

    @Test
    void whatTheLicenseDoesNotAllowIsLeftUndoneAndSaid() throws IOException {
        delivered.deliver(Map.of("languages", List.of("en")));
        delivered.terms(Map.of("cutting", "NOT_STATED"));
        try {
            JsonNode face = delivered.weight().get("faces").get(0);
            assertThat(face.get("kept").isNull()).isTrue();
            assertThat(face.get("undone").get(0).asString())
                    .isEqualTo("Penmarrow Regular: not subset, as its license does not say that it may be");
            Answer made = caller.send("POST", "/api/sites/" + delivered.id() + "/packs", Map.of());
            assertThat(made.text()).contains("Penmarrow Regular: not subset");
        } finally {
            delivered.terms(Map.of("cutting", "GRANTED"));
        }
    }

    @Test
    void aPackIsMadeOfWhatIsNotAllowedOnlyWithAReasonAndStaysFlagged() throws IOException {
        delivered.deliver(Map.of("languages", List.of("en"), "budget", 100));
        delivered.terms(Map.of("webUse", "REFUSED"));
        try {
            String packs = "/api/sites/" + delivered.id() + "/packs";
            assertThat(caller.send("POST", packs, Map.of("reason", "  ")).status())
                    .isEqualTo(409);
            assertThat(caller.send("POST", packs, Map.of("reason", "x".repeat(2001)))
                            .status())
                    .isEqualTo(422);

            Answer made = caller.send("POST", packs, Map.of("reason", "agreed by phone"));

            assertThat(made.json().get("anyway").asString()).isEqualTo("agreed by phone");
            assertThat(text(delivered.files(made), "LICENSES.txt")).contains("delivered because: agreed by phone");
            assertThat(delivered.kinds()).contains("DELIVERED_ANYWAY", "OVER_BUDGET");
        } finally {
            delivered.terms(Map.of("webUse", "GRANTED"));
        }
        assertThat(delivered.kinds()).doesNotContain("DELIVERED_ANYWAY").contains("PACK_DUE");
        delivered.pack();
        assertThat(delivered.kinds()).doesNotContain("PACK_DUE");
        delivered.deliver(Map.of("languages", List.of("en")));
        assertThat(delivered.kinds())
                .as("a budget changes nothing in a pack")
                .doesNotContain("PACK_DUE", "OVER_BUDGET");
    }

    @Test
    void subsettingThatIsWithdrawnAfterAPackMakesANewOneDue() throws IOException {
        delivered.deliver(Map.of("languages", List.of("en")));
        delivered.pack();
        assertThat(delivered.kinds()).doesNotContain("PACK_DUE");
        delivered.terms(Map.of("cutting", "REFUSED"));
        try {
            assertThat(delivered.evidence("PACK_DUE"))
                    .containsExactly("Subsetting Penmarrow Regular is no longer allowed: subsetting is refused.");
        } finally {
            delivered.terms(Map.of("cutting", "GRANTED"));
        }
        assertThat(delivered.kinds()).doesNotContain("PACK_DUE");
    }

    @Test
    void aFaceThatCannotBeSubsetIsSaidToBeWhole() throws IOException {
        byte[] icons = FontWriter.write(
                Subsetter.subset(face(Samples.font("Wendlow-Regular.ttf")), SubsetPlan.ofText("é")), FontFormat.TTF);
        DeliveredSite site = DeliveredSite.of(
                caller, "日本", "nihon.example", caller.hold("icons.ttf", icons, Map.of("family", "Icons")));
        String client =
                caller.get("/api/sites/" + site.id()).json().get("clientId").asString();
        caller.edit("/api/clients/" + client, "", Map.of("name", "日本"));
        site.deliver(Map.of("languages", List.of("ja")));
        JsonNode face = site.weight().get("faces").get(0);
        assertThat(face.get("kept").isNull()).isTrue();
        assertThat(face.get("undone").toString()).contains("Icons Regular: not subset, as it can’t be");
        assertThat(text(site.pack(), "manifest.json")).doesNotContain("\"cut\":{");
    }

    @Test
    void filesOnAThirdPartyHostNeedALicenseForThatUnlessTheHostIsTheSitesOwn() {
        delivered.terms(Map.of("thirdParty", "REFUSED"));
        delivered.deliver(Map.of("kind", "BASE_URL", "base", "https://fonts.elsewhere.example/tarn/"));
        Answer refused = caller.send("POST", "/api/sites/" + delivered.id() + "/packs", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("third-party hosting is refused");
        assertThat(delivered.kinds()).contains("THIRD_PARTY_NOT_PERMITTED");

        caller.edit(
                "/api/sites/" + delivered.id() + "/check-plan",
                "plan",
                Map.of("ownHosts", List.of("fonts.elsewhere.example")));
        assertThat(delivered.kinds()).doesNotContain("THIRD_PARTY_NOT_PERMITTED");
        assertThat(caller.send("POST", "/api/flags/comparison", Map.of())
                        .json()
                        .get("mended")
                        .asInt())
                .isZero();

        caller.edit("/api/sites/" + delivered.id() + "/check-plan", "plan", Map.of("ownHosts", List.of()));
        delivered.deliver(Map.of("kind", "BASE_URL", "base", "https://static.tarn.example/fonts/"));
        assertThat(delivered.kinds())
                .as("a host of the site's own registrable domain")
                .doesNotContain("THIRD_PARTY_NOT_PERMITTED");
    }

    @Test
    void aVariableFontIsLimitedToTheFaceThatItsLicenseCovers() throws IOException {
        byte[] variable = Samples.font("Marl-Variable.ttf");
        String family = caller.hold("Marl-Variable.ttf", variable, Map.of());
        DeliveredSite site = DeliveredSite.of(caller, "Rill Press", "rill.example", family);
        assertThat(FvarTable.read(face(only(site.pack(), ".woff2")))).isPresent();

        Map<String, Object> regular = Map.of("familyId", family, "faces", List.of(Samples.face(400, "upright")));
        site.covering(regular);
        assertThat(site.evidence("PACK_DUE").get(0)).contains("now goes out as Regular");
        Map<String, byte[]> limited = site.pack();
        assertThat(FvarTable.read(face(only(limited, ".woff2")))).isEmpty();
        assertThat(text(limited, "type.css")).contains("font-weight: 400;").doesNotContain("75%");

        site.terms(Map.of("cutting", "REFUSED"));
        assertThat(site.kinds()).contains("SUBSETTING_NOT_PERMITTED");
        assertThat(caller.send("POST", "/api/sites/" + site.id() + "/packs", Map.of())
                        .text())
                .contains("subsetting is refused");
    }

    @Test
    void aFormatThatTheVendorSuppliedGoesOutWhereConvertingIsRefused() throws IOException {
        byte[] font = Samples.font("Penmarrow-Bold.ttf");
        String family = caller.hold("Penmarrow-Bold.ttf", font, Map.of("family", "Tessel"));
        byte[] woff = FontWriter.write(FontReader.read(font).faces().get(0), FontFormat.WOFF);
        caller.hold("Penmarrow-Bold.woff", woff, Map.of("family", "Tessel"));
        DeliveredSite site = DeliveredSite.of(caller, "Fen Tea", "fen.example", family);
        caller.edit(
                "/api/sites/" + site.id(),
                "",
                Map.of(
                        "roles",
                        List.of(Samples.role("RUNNING_TEXT", family, List.of(Samples.face(700, "upright")))),
                        "delivery",
                        Map.of("browsers", "LEGACY")));
        site.terms(Map.of("converting", "REFUSED"));
        Map<String, byte[]> files = site.pack();
        assertThat(only(files, ".woff")).isEqualTo(woff);
        assertThat(only(files, ".ttf")).isEqualTo(font);
        assertThat(files.keySet()).noneMatch(path -> path.endsWith(".woff2"));
    }

    @Test
    void whatIsChangedDoesNotGoOutUnderANameThatItsLicenseReserves() throws IOException {
        String family = caller.hold("Osier.ttf", reserving(Samples.font("Osier-Regular.ttf")), Map.of());
        DeliveredSite site = DeliveredSite.of(caller, "Weir Mill", "weir.example", family);
        assertThat(site.weight().get("faces").get(0).get("undone"))
                .as("a whole font is not changed")
                .isEmpty();
        site.terms(Map.of("renaming", "GRANTED"));
        site.deliver(Map.of("languages", List.of("en")));
        assertThat(site.weight().get("faces").get(0).get("undone").get(0).asString())
                .startsWith("Osier Regular: changed, but still called “Osier”, which its license reserves");

        caller.edit("/api/sites/" + site.id(), "", Map.of("familyNames", Map.of(family, "WeirText")));
        assertThat(site.weight().get("faces").get(0).get("undone")).isEmpty();
        Map<String, byte[]> files = site.pack();
        assertThat(NameTable.read(face(only(files, ".woff2"))).best(NameTable.FAMILY))
                .contains("WeirText");
        assertThat(text(files, "type.css")).contains("font-family: \"WeirText\";");
    }

    /** The font under the SIL Open Font License with its name reserved. */
    private static byte[] reserving(byte[] font) {
        Sfnt face = face(font);
        List<NameRecord> records = new ArrayList<>(NameTable.read(face).records());
        records.removeIf(record -> record.nameId() == NameTable.COPYRIGHT || record.nameId() == NameTable.LICENSE);
        records.add(
                new NameRecord(3, 1, 0x409, NameTable.COPYRIGHT, "Copyright 2030, with Reserved Font Name “Osier”."));
        records.add(new NameRecord(
                3, 1, 0x409, NameTable.LICENSE, "Licensed under the SIL Open Font License, Version 1.1."));
        return FontWriter.write(face.with("name", NameWriter.write(records)), FontFormat.TTF);
    }

    private static Sfnt face(byte[] file) {
        return FontReader.read(file).faces().get(0);
    }
}
