package app.unciala.server;

import static app.unciala.server.testing.DeliveredSite.only;
import static app.unciala.server.testing.DeliveredSite.text;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.drawing.Likeness;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.DeliveredSite;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import app.unciala.testing.RealFonts;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Packs as a site's host takes them: cut, named, placed and described; what is not allowed is left undone and said. */
class DeliveryTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String family;
    private static String site;
    private static DeliveredSite delivered;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        family = caller.hold("Penmarrow-Regular.ttf");
        delivered = DeliveredSite.of(caller, "Tarn Bakery", "tarn.example", family);
        site = delivered.id();
    }

    @Test
    void aFaceIsCutToTheLanguagesAndWeighsWhatThePackHas() throws IOException {
        delivered.deliver(
                Map.of("languages", List.of("en"), "words", "→", "browsers", "SOME_YEARS_BACK", "budget", 40_000));

        JsonNode weight = delivered.weight();
        Map<String, byte[]> files = delivered.pack();

        byte[] woff2 = only(files, ".woff2");
        assertThat(weight.get("bytes").asLong()).isEqualTo(woff2.length);
        assertThat(weight.get("budget").asLong()).isEqualTo(40_000);
        JsonNode face = weight.get("faces").get(0);
        assertThat(face.get("kept").asInt()).isLessThan(face.get("of").asInt());
        assertThat(caller.get(address(face)).bytes()).isEqualTo(woff2);
        assertThat(caller.get(address(face).replaceAll("[0-9a-f]{16}\\.", "0123456789abcdef."))
                        .status())
                .isEqualTo(404);
        assertThat(only(files, ".woff").length).isGreaterThan(woff2.length);
        assertThat(text(files, "type.css"))
                .containsSubsequence("format(\"woff2\")", "format(\"woff\")", "button,\ninput");
        assertThat(text(files, "manifest.json"))
                .contains("\"cut\":{\"kept\":" + face.get("kept").asInt());
    }

    @Test
    void formatsNamesFallbacksAndOverridesGoOutAsTheSiteSaysThem() throws IOException {
        caller.edit(
                "/api/sites/" + site,
                "",
                Map.of(
                        "familyNames",
                        Map.of(family, "TarnText"),
                        "roles",
                        List.of(Map.of(
                                "role",
                                "RUNNING_TEXT",
                                "familyId",
                                family,
                                "generic",
                                "SERIF",
                                "fallbacks",
                                List.of("Charter", "'Iowan Old Style'"),
                                "faces",
                                List.of(Samples.face(400, "upright")))),
                        "delivery",
                        Map.of(
                                "formats",
                                List.of("TTF", "OTF", "EOT", "WOFF2"),
                                "overrides",
                                ":root { --theme: TarnText }")));
        try {
            assertThat(caller.get("/api/sites/" + site)
                            .json()
                            .get("familyNames")
                            .get(family)
                            .asString())
                    .isEqualTo("TarnText");
            Map<String, byte[]> files = delivered.pack();
            assertThat(files.keySet().stream()
                            .filter(path -> path.startsWith("fonts/"))
                            .map(path -> path.replaceAll(".*\\.", "")))
                    .containsExactlyInAnyOrder("ttf", "eot", "woff2");
            assertThat(text(files, "type.css"))
                    .containsSubsequence(
                            "font-family: \"TarnText\";",
                            "format(\"truetype\")",
                            "format(\"embedded-opentype\")",
                            "format(\"woff2\")",
                            "--type-running-text: \"TarnText\", \"Charter\", \"Iowan Old Style\", serif;",
                            "/* Overrides of rules that are on this site */\n:root { --theme: TarnText }")
                    .doesNotContain("Penmarrow");
            assertThat(text(files, "files.csv").lines())
                    .hasSize(4)
                    .anyMatch(
                            row -> row.matches(
                                    "fonts/.*\\.ttf,TarnText,400,Regular,upright,ttf,TarnText Regular,.*Charter.*,\\d+,[0-9a-f]{64}"));
            JsonNode now = caller.get("/api/sites/" + site).json();
            assertThat(caller.kinds("?site=" + site)).doesNotContain("PACK_DUE");
            caller.edit("/api/sites/" + site, "", Map.of("familyNames", Map.of(family, "Other")));
            assertThat(caller.kinds("?site=" + site)).as(now.toString()).contains("PACK_DUE");
        } finally {
            caller.edit(
                    "/api/sites/" + site,
                    "",
                    Map.of(
                            "familyNames",
                            Map.of(),
                            "roles",
                            List.of(Samples.role("RUNNING_TEXT", family, List.of(Samples.face(400, "upright"))))));
        }
    }

    @Test
    void truetypeOutlinesAreLeftOutForAnOtfAndCffOutlinesBecomeTruetypeForATtf() throws IOException {
        delivered.deliver(Map.of("formats", List.of("OTF")));
        Answer made = caller.send("POST", "/api/sites/" + site + "/packs", Map.of());
        assertThat(made.status()).isEqualTo(409);
        assertThat(made.text()).contains("Penmarrow Regular: no OpenType CFF, as its outlines are those of TrueType");
        String drawn = caller.hold(
                "Cantarell-Regular.otf",
                RealFonts.bytes(RealFonts.named("Cantarell-Regular.otf")),
                Map.of("family", "Drawn"));
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(drawn, "tarn.example"));
        terms.put("converting", "GRANTED");
        caller.send("POST", "/api/licenses", terms);
        caller.edit(
                "/api/sites/" + site,
                "",
                Map.of(
                        "roles",
                        List.of(Samples.role("RUNNING_TEXT", drawn, List.of(Samples.face(400, "upright")))),
                        "delivery",
                        Map.of("browsers", "LEGACY")));
        try {
            Map<String, byte[]> files = delivered.pack();
            FontFile truetype = FontReader.read(only(files, ".ttf"));
            assertThat(truetype.format()).isEqualTo(FontFormat.TTF);
            assertThat(Likeness.of(
                            truetype.faces().get(0),
                            FontReader.read(only(files, ".woff2")).faces().get(0)))
                    .isGreaterThan(0.9);
        } finally {
            caller.edit(
                    "/api/sites/" + site,
                    "",
                    Map.of(
                            "roles",
                            List.of(Samples.role("RUNNING_TEXT", family, List.of(Samples.face(400, "upright"))))));
        }
    }

    @Test
    void namesOverridesAndFormatsThatCannotBeAreRefused() {
        for (Map.Entry<String, Object> wrong : Map.<String, Object>of(
                        "familyNames",
                        Map.of(family, "a\"b"),
                        "delivery",
                        Map.of("overrides", "h1 { color: red"),
                        "roles",
                        List.of(Map.of(
                                "role",
                                "HEADINGS",
                                "familyId",
                                family,
                                "fallbacks",
                                List.of("x; y"),
                                "faces",
                                List.of())))
                .entrySet()) {
            assertThat(caller.edit("/api/sites/" + site, "", Map.of(wrong.getKey(), wrong.getValue()))
                            .status())
                    .as(wrong.getKey())
                    .isEqualTo(422);
        }
    }

    @Test
    void aStandInIsToldWithTheWeightWhereTheSiteHasThem() {
        delivered.deliver(Map.of("standIns", false));
        assertThat(delivered.weight().get("faces").get(0).get("standIn").asString())
                .isEmpty();
        delivered.deliver(Map.of("standIns", true));
        JsonNode face = delivered.weight().get("faces").get(0);
        assertThat(face.get("standIn").asString()).contains("font-family: \"stand-in\"", "size-adjust: ");
        assertThat(caller.get(address(face)).status()).isEqualTo(200);
    }

    /** A real font with three scripts goes out in three files, which together weigh what was told before. */
    @Test
    void aFaceIsPartedByTheScriptsOfTheLanguages() throws IOException {
        String wide = caller.hold(
                "DejaVuSans.ttf", RealFonts.bytes(RealFonts.named("DejaVuSans.ttf")), Map.of("family", "Wide"));
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(wide, "tarn.example"));
        terms.put("cutting", "GRANTED");
        caller.send("POST", "/api/licenses", terms);
        caller.edit(
                "/api/sites/" + site,
                "",
                Map.of(
                        "roles",
                        List.of(Samples.role("RUNNING_TEXT", wide, List.of(Samples.face(400, "upright")))),
                        "delivery",
                        Map.of("languages", List.of("en", "el", "uk"))));

        JsonNode face = caller.send(
                        "POST",
                        "/api/sites/" + site + "/weight",
                        Map.of("faces", List.of(Map.of("familyId", wide, "slot", Samples.face(400, "upright")))))
                .json()
                .get("faces")
                .get(0);
        Map<String, byte[]> files = delivered.pack();

        assertThat(files.keySet().stream()
                        .filter(path -> path.endsWith(".woff2"))
                        .map(path -> path.replaceAll("-[0-9a-f]{8}", "")))
                .containsExactlyInAnyOrder(
                        "fonts/wide-regular.woff2",
                        "fonts/wide-regular-greek.woff2",
                        "fonts/wide-regular-cyrillic.woff2");
        assertThat(files.entrySet().stream()
                        .filter(file -> file.getKey().endsWith(".woff2"))
                        .mapToLong(file -> file.getValue().length)
                        .sum())
                .isEqualTo(face.get("bytes").asLong());
        assertThat(text(files, "type.css").split("unicode-range: ")).hasSize(4);
        assertThat(face.get("files").valueStream().map(file -> file.get("characters")
                        .asString()))
                .hasSize(3)
                .allMatch(range -> text(files, "type.css").contains("unicode-range: " + range + ";"));
        for (JsonNode file : face.get("files")) {
            assertThat(files.values())
                    .contains(caller.get(file.get("address").asString()).bytes());
        }
    }

    private static String address(JsonNode face) {
        assertThat(face.get("files")).hasSize(1);
        assertThat(face.get("files").get(0).get("characters").asString()).isEmpty();
        return face.get("files").get(0).get("address").asString();
    }

    @Test
    void aRoleOfTheSitesOwnIsComparedDeliveredAndRefusedWhereItsNameMeansAnother() throws IOException {
        Map<String, Object> quote = new LinkedHashMap<>(Map.of(
                "role",
                " Pull  quote ",
                "familyId",
                family,
                "faces",
                List.of(Samples.face(400, "upright")),
                "wordSpacing",
                "0.1em"));
        Map<String, Object> text = Map.of(
                "role",
                "RUNNING_TEXT",
                "familyId",
                family,
                "faces",
                List.of(Samples.face(400, "upright"), Samples.face(900, "upright")));
        assertThat(roles(List.of(quote, text)).json().get("roles").valueStream().map(role -> role.get("role")
                        .asString()))
                .containsExactly("RUNNING_TEXT", "Pull quote");

        assertThat(text(delivered.pack(), "type.css"))
                .contains("\n.type-pull-quote {\n  font-family: var(--type-pull-quote);", "  word-spacing: 0.1em;");
        JsonNode rows = caller.get("/api/sites/" + site + "/comparison").json();
        assertThat(rows.valueStream().map(row -> row.get("role").asString())).contains("Pull quote");

        quote.put("selector", "<p>");
        assertThat(roles(List.of(quote)).text()).contains("isn’t a selector");
        quote.remove("selector");
        quote.put("wordSpacing", "wide; color: red");
        assertThat(roles(List.of(quote)).text()).contains("isn’t a length");
        quote.remove("wordSpacing");
        for (String name : List.of("Headings", "PAGE_TITEL", "***")) {
            quote.put("role", name);
            Answer refused = roles(List.of(quote));
            assertThat(refused.status()).as(name).isEqualTo(422);
            assertThat(refused.text()).as(name).contains("text role");
        }
        quote.put("role", "Aside");
        Map<String, Object> same = new LinkedHashMap<>(quote);
        same.put("role", "aside!");
        assertThat(roles(List.of(quote, same)).text()).contains("is set twice");
        quote.put("role", "Q".repeat(61));
        assertThat(roles(List.of(quote)).status()).isEqualTo(422);
        assertThat(roles(List.of(text)).status()).isEqualTo(200);
    }

    private static Answer roles(List<Map<String, Object>> roles) {
        return caller.edit("/api/sites/" + site, "", Map.of("roles", roles));
    }

    @Test
    void charactersThatALanguageNeedsAndAFaceLacksAreNamed() {
        delivered.deliver(Map.of("languages", List.of("en", "el")));

        assertThat(delivered
                        .weight()
                        .get("faces")
                        .get(0)
                        .get("undone")
                        .valueStream()
                        .map(JsonNode::asString))
                .singleElement()
                .asString()
                .matches("Penmarrow Regular: lacks \\d+ characters of Greek: .*Α Β Γ.*");
        assertThat(delivered.kinds()).contains("LANGUAGE_NOT_COVERED");
        delivered.deliver(Map.of("languages", List.of("en-GB")));
        assertThat(delivered.kinds()).doesNotContain("LANGUAGE_NOT_COVERED");
    }

    @Test
    void eachFileGetsTheAddressThatWasPastedForIt() throws IOException {
        delivered.deliver(Map.of("kind", "URL_PER_FILE", "names", "LETTERS_AND_DIGITS", "digest", false));
        Map<String, byte[]> before = delivered.pack();
        assertThat(text(before, "type.css")).contains("url(\"penmarrowregular.woff2\")");
        assertThat(text(before, "instructions.html")).contains("Paste the address of each file");

        Answer refused = caller.send(
                "POST", "/api/sites/" + site + "/urls", Map.of("text", "https://cdn.tarn.example/other.woff2"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("none of the files");
        JsonNode urls = caller.send(
                        "POST",
                        "/api/sites/" + site + "/urls",
                        Map.of("text", "https://cdn.tarn.example/a1/penmarrowregular.woff2"))
                .json();
        delivered.deliver(Map.of(
                "kind",
                "URL_PER_FILE",
                "names",
                "LETTERS_AND_DIGITS",
                "digest",
                false,
                "urls",
                Map.of(
                        "penmarrowregular.woff2",
                        urls.get("penmarrowregular.woff2").asString())));

        assertThat(text(delivered.pack(), "type.css"))
                .contains("url(\"https://cdn.tarn.example/a1/penmarrowregular.woff2\")");
    }

    @Test
    void aPackIsPlacedOnADayAndDueAgainWhenItsDeliveryChanges() {
        delivered.deliver(Map.of("folder", "fonts"));
        String pack = caller.send("POST", "/api/sites/" + site + "/packs", Map.of())
                .json()
                .get("id")
                .asString();
        Answer placed = caller.send("PUT", "/api/packs/" + pack + "/placed", Map.of("day", "2030-05-10"));
        assertThat(placed.json().get("placedOn").asString()).isEqualTo("2030-05-10");
        assertThat(placed.json().get("changedSince")).isEmpty();

        delivered.deliver(Map.of("folder", "assets/type"));
        assertThat(caller.get("/api/packs/" + pack)
                        .json()
                        .get("changedSince")
                        .get(0)
                        .asString())
                .contains("delivery has changed");
        assertThat(caller.send("PUT", "/api/packs/" + pack + "/placed", new LinkedHashMap<>())
                        .json()
                        .get("placedOn")
                        .isNull())
                .isTrue();
    }

    @Test
    void theChecklistOfAPackIsTicked() throws IOException {
        delivered.deliver(Map.of("before", "Let in the type woff2\n\n", "after", "Take it back"));
        String checklist = "/api/packs/"
                + caller.send("POST", "/api/sites/" + site + "/packs", Map.of())
                        .json()
                        .get("id")
                        .asString()
                + "/checklist";
        assertThat(ticked(checklist, "Something else", true).status()).isEqualTo(422);
        assertThat(ticked(checklist, "Take it back", true)
                        .json()
                        .get("checklist")
                        .toString())
                .isEqualTo("[{\"what\":\"Let in the type woff2\",\"done\":false},"
                        + "{\"what\":\"Take it back\",\"done\":true}]");
        assertThat(ticked(checklist, "Let in the type woff2", true).json().findValuesAsString("done"))
                .as("what somebody else has ticked stays")
                .containsExactly("true", "true");
        assertThat(ticked(checklist, "Take it back", false).json().findValuesAsString("done"))
                .containsExactly("true", "false");
    }

    private static Answer ticked(String checklist, String step, boolean done) {
        return caller.send("PUT", checklist, Map.of("step", step, "done", done));
    }

    @Test
    void aPackIsComparedWithTheOneBeforeIt() throws IOException {
        delivered.deliver(Map.of("languages", List.of("en")));
        delivered.pack();
        delivered.deliver(Map.of("languages", List.of("en"), "browsers", "SOME_YEARS_BACK"));
        Answer made = caller.send("POST", "/api/sites/" + site + "/packs", Map.of());

        JsonNode difference = caller.get("/api/packs/" + made.json().get("id").asString() + "/changes")
                .json();

        assertThat(difference.get("since").isNull()).isFalse();
        JsonNode changed = difference.get("changed");
        assertThat(changed.get("files").valueStream().map(file -> file.get("path")
                        .asString()))
                .anyMatch(path -> path.endsWith(".woff"))
                .noneMatch(path -> path.endsWith(".woff2"));
        assertThat(changed.get("came").get(0).asString()).contains("format(\"woff\")");
        assertThat(changed.get("went")).hasSize(1);
    }

    @Test
    void aDeliveryThatCannotWorkIsRefusedAtItsField() {
        for (Map.Entry<Map<String, Object>, String> wrong : Map.<Map<String, Object>, String>of(
                        Map.of("languages", List.of("xx-nowhere")), "delivery.languages",
                        Map.of("kind", "EXPRESSION", "expression", "{{ asset }}"), "delivery.expression",
                        Map.of("kind", "BASE_URL", "base", "http://a.example/"), "delivery.base",
                        Map.of("folder", "C:\\fonts"), "delivery.folder")
                .entrySet()) {
            Answer answer = delivered.put(wrong.getKey(), Map.of());
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.text()).contains(wrong.getValue());
        }
        for (String selector : List.of("h1 {", "a; b", "h1, ", "</style>", "a}b{")) {
            assertThat(delivered.put(Map.of(), Map.of("selector", selector)).status())
                    .isEqualTo(422);
        }
        for (String size : List.of("1px; color: red", "big", "calc(1px}", "-")) {
            assertThat(delivered.put(Map.of(), Map.of("size", size)).status()).isEqualTo(422);
        }
        assertThat(delivered
                        .put(Map.of(), Map.of("selector", "main > p:first-of-type", "size", "clamp(1rem, 2vw, 2rem)"))
                        .status())
                .isEqualTo(200);
    }

    /** A job makes the same bytes as a request does, and records them in the name of who asked. */
    @Test
    void aPackIsMadeAwayFromTheRequestAndHowFarItIsCanBeAsked() {
        delivered.deliver(Map.of());
        String making = "/api/sites/" + site + "/packs/making";
        JsonNode inRequest =
                caller.send("POST", "/api/sites/" + site + "/packs", Map.of()).json();
        Answer begun = caller.send("POST", making, Map.of());
        assertThat(begun.status()).isEqualTo(202);
        assertThat(begun.json().get("running").asBoolean()).isTrue();
        JsonNode ended = caller.waitFor(making, told -> !told.get("running").asBoolean());
        assertThat(ended.get("failure").isNull()).isTrue();
        JsonNode made =
                caller.get("/api/packs/" + ended.get("packId").asString()).json();
        assertThat(made.get("id").asString()).isNotEqualTo(inRequest.get("id").asString());
        assertThat(made.get("sha256")).isEqualTo(inRequest.get("sha256"));
        assertThat(made.get("madeBy")).isEqualTo(inRequest.get("madeBy"));
        for (int i = 0; i < 3; i++) {
            // At once after the job before, whose end is perhaps not recorded yet.
            assertThat(caller.send("POST", making, Map.of()).status()).isEqualTo(202);
            caller.waitFor(making, told -> !told.get("running").asBoolean());
        }
        assertThat(caller.send("POST", "/api/sites/nowhere/packs/making", Map.of())
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whyNoPackWasMadeIsToldByTheJob() {
        String bare = caller.site("Bare", "bare.example", family, 400);
        String making = "/api/sites/" + bare + "/packs/making";
        assertThat(caller.send("POST", making, Map.of()).status()).isEqualTo(202);
        JsonNode ended = caller.waitFor(making, told -> !told.get("running").asBoolean());
        assertThat(ended.get("failure").asString()).startsWith("Nothing may go into a pack for Bare");
        assertThat(ended.get("packId").isNull()).isTrue();
    }
}
