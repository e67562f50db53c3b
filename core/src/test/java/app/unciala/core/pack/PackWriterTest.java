package app.unciala.core.pack;

import static app.unciala.core.testing.SamplePacks.BOLD;
import static app.unciala.core.testing.SamplePacks.REGULAR;
import static app.unciala.core.testing.SamplePacks.face;
import static app.unciala.core.testing.SamplePacks.faces;
import static app.unciala.core.testing.SamplePacks.files;
import static app.unciala.core.testing.SamplePacks.request;
import static app.unciala.core.testing.SamplePacks.role;
import static app.unciala.core.testing.SamplePacks.roles;
import static app.unciala.core.testing.SamplePacks.text;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.css.TextSetting;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.pack.Pack.Entry;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Notice;
import app.unciala.core.pack.PackRequest.Role;
import app.unciala.core.pack.PackRequest.Setting;
import app.unciala.core.pack.Placement.Kind;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import app.unciala.core.proof.Finding;
import app.unciala.core.proof.ProofReader;
import app.unciala.core.proof.Reference;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import com.google.common.hash.Hashing;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PackWriterTest {
    private static final Slot BLACK = Slot.of(900, 100, Slope.UPRIGHT);
    private static final Slot CONDENSED = Slot.of(500, 75, Slope.UPRIGHT);
    private static final List<String> NASTY = List.of(
            "Harrow & Sons \"*/",
            "Tärnow",
            "</style><script>",
            "A\\",
            "'",
            "{} ; url(x)",
            "日本",
            "🂡",
            "x".repeat(200),
            "1 2");

    @Test
    void holdsFontsRulesSpecimenInstructionsLicensesAndManifest() {
        Pack pack = PackWriter.write(
                request(Placement.beside(), OutputShape.STYLE_SHEET, roles("Tärnow"), faces("Tärnow")));

        assertThat(pack.entries())
                .extracting(Entry::path)
                .hasSize(9)
                .contains(
                        "type.css",
                        "specimen.html",
                        "instructions.html",
                        "files.csv",
                        "LICENSES.txt",
                        "licenses/OFL.txt",
                        "manifest.json");
        assertThat(pack.entries().get(0).path()).matches("fonts/tarnow-regular-[0-9a-f]{8}\\.woff2");
        assertThat(text(pack, "LICENSES.txt")).contains("Tärnow Bold: The license; see licenses/OFL.txt");
        assertThat(text(pack, "licenses/OFL.txt")).isEqualTo("Copyright");
        assertThat(text(pack, "manifest.json"))
                .contains("\"site\":\"Client\"", "\"cut\":{\"kept\":90,\"of\":400}", "\"source\":\"5ec0\"");
    }

    @Test
    void withoutARoleForTitlesTheFirstHeadingIsAHeading() {
        String css = css(roles("Harrow").subList(0, 1), faces("Harrow"));
        assertThat(css).contains("h1, h2, h3, h4, h5, h6,\n.type-headings {");

        List<Role> both = new ArrayList<>(roles("Harrow"));
        both.add(role(TextRole.PAGE_TITLE, "Harrow", BOLD));
        assertThat(css(both, faces("Harrow"))).contains("\nh2, h3, h4, h5, h6,").contains("\nh1,\n.type-page-title");
    }

    @Test
    void aCondensedFaceIsAskedForByItsRole() {
        String css = css(List.of(role(TextRole.CAPTIONS, "Harrow", CONDENSED)), List.of(face("Harrow", CONDENSED)));

        assertThat(css)
                .contains("font-stretch: 75%;\n  font-display")
                .contains("font-style: normal;\n  font-stretch: 75%;\n}");
    }

    @Test
    void aVariableSlopeIsWrittenAsARange() {
        Face leaning = new Face(
                "Harrow",
                new Slot(new Range(100, 900), Range.of(100), Slope.UPRIGHT),
                "",
                files(new byte[] {1}),
                Optional.of(new Range(0, 10)),
                "",
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());

        assertThat(css(roles("Harrow"), List.of(leaning))).contains("font-style: oblique 0deg 10deg;");
    }

    @Test
    void buttonsAndFieldsAreSetAsTheTextUnlessTheyHaveARole() {
        String inherit = "button,\ninput,\nselect,\ntextarea {\n  font: inherit;\n}";
        assertThat(css(roles("Harrow"), faces("Harrow"))).contains(inherit);

        List<Role> own = new ArrayList<>(roles("Harrow"));
        own.add(role(TextRole.BUTTONS, "Harrow", REGULAR));
        assertThat(css(own, faces("Harrow")))
                .doesNotContain(inherit)
                .contains("button, input, select, textarea,\n.type-buttons {");
    }

    @Test
    void aRoleSaysItsSelectorAndItsSetting() {
        Role role = new Role(
                TextRole.NAVIGATION,
                "Harrow",
                BOLD,
                GenericFamily.SERIF,
                List.of("Tarn Text", "Charter"),
                new Setting("header nav a", new TextSetting("1.1rem", "1.3", "0.02em", "0.1em")));

        assertThat(css(List.of(role), faces("Harrow")))
                .contains("--type-navigation: \"Harrow\", \"Tarn Text\", \"Charter\", serif;")
                .contains("header nav a,\n.type-navigation {")
                .contains(
                        "  font-size: 1.1rem;\n  line-height: 1.3;\n  letter-spacing: 0.02em;\n  word-spacing: 0.1em;\n}");
    }

    @Test
    void aRoleOfOnesOwnHasItsSelectorOrItsClassAlone() {
        TextRole quote = TextRole.of("Pull quote");
        Setting setting = new Setting(".quote > p", TextSetting.NONE);

        assertThat(css(List.of(role(quote, "Harrow", BOLD)), faces("Harrow")))
                .contains("--type-pull-quote: \"Harrow\", ")
                .contains("}\n\n.type-pull-quote {\n  font-family: var(--type-pull-quote);");
        assertThat(css(
                        List.of(new Role(quote, "Harrow", BOLD, GenericFamily.SERIF, List.of(), setting)),
                        faces("Harrow")))
                .contains(".quote > p,\n.type-pull-quote {");
    }

    @Test
    void aFaceInPartsHasAFileAndARangeForEachScript() {
        List<Face> parts = SiteCharacters.byScript(List.of("en", "el"), "").stream()
                .map(part -> part(face("Harrow", REGULAR), part))
                .toList();
        PackRequest request = request(Placement.beside(), OutputShape.STYLE_SHEET, roles("Harrow"), parts);
        Pack pack = PackWriter.write(request);

        assertThat(text(pack, "type.css"))
                .containsPattern("harrow-regular-[0-9a-f]{8}\\.woff2[^}]*  unicode-range: U\\+20-7E, ")
                .containsPattern("harrow-regular-greek-[0-9a-f]{8}\\.woff2[^}]*  unicode-range: U\\+3[0-9A-F]{2}");
        assertThat(text(pack, "manifest.json")).containsOnlyOnce("\"script\":\"Greek\"");
        assertThat(text(pack, "specimen.html").split(">Harrow Regular<")).hasSize(2);
        assertThat(text(pack, "instructions.html"))
                .contains("preload")
                .doesNotContain("rel=&quot;preload&quot; href=&quot;fonts/harrow-regular-greek");
    }

    private static Face part(Face face, ScriptPart part) {
        return new Face(
                face.family(),
                face.slot(),
                face.source(),
                face.files(),
                face.slant(),
                face.license(),
                face.notices(),
                Optional.of(part),
                face.cut(),
                face.stand());
    }

    @Test
    void everyFontFileIsARowOfTheFileList() {
        Pack pack = PackWriter.write(
                request(Placement.beside(), OutputShape.STYLE_SHEET, roles("Harrow"), faces("Harrow")));
        List<String> rows = text(pack, "files.csv").lines().toList();
        assertThat(rows.get(0)).isEqualTo("file,family,weight,weight_name,slope,format,label,fallback,bytes,sha256");
        List<Entry> fonts = pack.entries().stream()
                .filter(entry -> entry.path().endsWith(".woff2"))
                .toList();
        assertThat(rows).hasSize(1 + fonts.size());
        assertThat(FileList.of(pack))
                .extracting(PackedFile::file, PackedFile::weightName, PackedFile::bytes)
                .containsExactly(
                        tuple(fonts.get(0).path(), "Regular", (long)
                                fonts.get(0).bytes().length),
                        tuple(fonts.get(1).path(), "Bold", (long) fonts.get(1).bytes().length));
        for (int i = 0; i < fonts.size(); i++) {
            Entry font = fonts.get(i);
            assertThat(rows.get(1 + i))
                    .startsWith(
                            font.path() + ",Harrow," + (i == 0 ? "400,Regular" : "700,Bold") + ",upright,woff2,Harrow ")
                    .endsWith(
                            "\"," + font.bytes().length + "," + Hashing.sha256().hashBytes(font.bytes()));
        }
    }

    @Test
    void aNameOfTheSitesOwnStandsEverywhereAndItsOverridesLast() {
        PackRequest request = request(Placement.beside(), OutputShape.STYLE_SHEET, roles("Harrow"), faces("Harrow"));
        PackRequest prefixed = new PackRequest(
                request.siteName(),
                request.domains(),
                request.day(),
                "1",
                "",
                Map.of("Harrow", "Tarn Harrow"),
                request.placement(),
                request.shape(),
                request.checklist(),
                "h1 { font-weight: 900 !important }",
                request.roles(),
                request.faces());

        String css = text(PackWriter.write(prefixed), "type.css");

        assertThat(css).contains("font-family: \"Tarn Harrow\";", "--type-headings: \"Tarn Harrow\", ");
        assertThat(css).doesNotContain("\"Harrow\"");
        assertThat(css)
                .endsWith("/* Overrides of rules that are on this site */\nh1 { font-weight: 900 !important }\n");
    }

    @Test
    void whatTheHostNeedsIsDoneFirstAndUndoneLastAndServersAreToldOfTheFiles() {
        PackRequest request = request(Placement.beside(), OutputShape.STYLE_SHEET, roles("Harrow"), faces("Harrow"));
        String page = text(PackWriter.write(request), "instructions.html");
        assertThat(page)
                .containsSubsequence(
                        "Let in &lt;woff2&gt;",
                        "Put the font files",
                        "AddType font/woff2 .woff2",
                        "max-age=31536000, immutable",
                        "location ~ \\.(woff2)$ {",
                        "Take it back");
    }

    @Test
    void aLevelOfHeadingsHasARuleAfterThatOfAllHeadings() {
        List<Role> roles = List.of(
                role(TextRole.HEADINGS_2, "Harrow", REGULAR),
                role(TextRole.HEADINGS, "Harrow", BOLD),
                role(TextRole.RUNNING_TEXT, "Harrow", REGULAR));
        String css = text(
                PackWriter.write(request(Placement.beside(), OutputShape.STYLE_SHEET, roles, faces("Harrow"))),
                "type.css");
        assertThat(css)
                .containsSubsequence("body,\n.type-running-text", "h1, h2, h3, h4, h5, h6,", "h2,\n.type-headings-2 {");
    }

    /** Whatever a family is called: the style sheet is read as it was meant, and proof-reading finds nothing in it. */
    @ParameterizedTest
    @EnumSource(
            value = Kind.class,
            names = {"FOLDER", "FLAT", "BASE_URL", "URL_PER_FILE", "INLINE"})
    void styleSheetsAreCorrectByConstruction(Kind kind) {
        Random random = new Random(4);
        for (int i = 0; i < 60; i++) {
            String family = NASTY.get(i % NASTY.size())
                    + (i < NASTY.size() ? "" : Character.toString(0x21 + random.nextInt(0x2FF)));
            Placement placement = new Placement(
                    kind,
                    "../fonts",
                    "https://cdn.client.example/f",
                    "",
                    Map.of(),
                    new FileNames(FileNames.Rule.HYPHENS, true));
            String css = text(
                    PackWriter.write(request(placement, OutputShape.STYLE_SHEET, roles(family), faces(family))),
                    "type.css");

            StyleSheet sheet = StyleSheet.read(css);
            assertThat(sheet.problems()).as(css).isEmpty();
            assertThat(sheet.rules()
                            .get(0)
                            .declaration("font-family")
                            .orElseThrow()
                            .value()
                            .get(0)
                            .value())
                    .isEqualTo(family);
            List<Finding> findings = ProofReader.read(
                            css,
                            new Reference(
                                    Optional.of(java.net.URI.create("https://client.example/")),
                                    Optional.empty(),
                                    false,
                                    Optional.of("<%= asset '{file}' %>")))
                    .findings();
            assertThat(findings).as(css).isEmpty();
        }
    }

    @ParameterizedTest
    @EnumSource(Kind.class)
    void everyShapeIsCleanInOurOwnStyleSheetCheck(Kind kind) {
        Placement placement = new Placement(
                kind,
                "../fonts/",
                "https://cdn.client.example/f",
                "<%= asset '{file}' %>",
                Map.of(
                        "harrow-regular.woff2",
                        "https://cdn.client.example/9/r.woff2",
                        "harrow-bold.woff2",
                        "https://cdn.client.example/9/b.woff2"),
                new FileNames(FileNames.Rule.HYPHENS, false));
        for (OutputShape shape : List.of(
                OutputShape.STYLE_SHEET,
                OutputShape.STYLE_BLOCK,
                OutputShape.APPENDED,
                OutputShape.CUSTOM_PROPERTIES)) {
            String made = text(
                    PackWriter.write(request(placement, shape, roles("Harrow"), faces("Harrow"))), shape.fileName());
            assertThat(ProofReader.read(
                                    made,
                                    new Reference(
                                            Optional.of(java.net.URI.create("https://client.example/")),
                                            Optional.empty(),
                                            false,
                                            Optional.of("<%= asset '{file}' %>")))
                            .findings())
                    .as(shape + " " + made)
                    .isEmpty();
        }
    }

    @ParameterizedTest
    @EnumSource(OutputShape.class)
    void eachShapeHasItsFile(OutputShape shape) {
        Pack pack = PackWriter.write(request(Placement.beside(), shape, roles("Harrow \"&\""), faces("Harrow \"&\"")));
        String output = text(pack, shape.fileName());

        String expected =
                switch (shape) {
                    case STYLE_SHEET -> ".type-headings {";
                    case STYLE_BLOCK -> "<style>\n/* Type";
                    case APPENDED -> "To be put after";
                    case CUSTOM_PROPERTIES -> "--type-running-text: ";
                    case DESIGN_TOKENS ->
                        "{\"type\":{\"headings\":{\"family\":{\"$type\":\"fontFamily\",\"$value\":[\"Harrow \\\"&\\\"\",";
                    case MENU -> "Headings\t\"Harrow \\\"&\\\"\", \"Georgia\"";
                };
        assertThat(output).contains(expected);
        assertThat(output.contains(".type-headings")).isEqualTo(shape.hasRules());
        assertThat(text(pack, "instructions.html")).contains("<ol>").doesNotContain("Harrow \"&\"");
    }

    @Test
    void isTheSameForTheSameRequest() {
        PackRequest request = request(Placement.beside(), OutputShape.STYLE_SHEET, roles("Harrow"), faces("Harrow"));

        assertThat(PackWriter.write(request).zip())
                .isEqualTo(PackWriter.write(request).zip());
    }

    /** Faces of one family may say their copyright in other words; both texts go along, and each face names its own. */
    @Test
    void noticesOfOneNameAndOtherTextsAllGoAlong() throws IOException {
        List<Face> faces = List.of(
                face("Harrow", REGULAR, new Notice("OFL.txt", "Copyright 2011")),
                face("Harrow", BOLD, new Notice("ofl.txt", "Copyright 2014")),
                face("Harrow", BLACK, new Notice("OFL.txt", "Copyright 2011")));
        Pack pack = PackWriter.write(request(Placement.beside(), OutputShape.STYLE_SHEET, roles("Harrow"), faces));
        assertThat(text(pack, "licenses/OFL.txt")).isEqualTo("Copyright 2011");
        assertThat(text(pack, "licenses/ofl-2.txt")).isEqualTo("Copyright 2014");
        assertThat(text(pack, "LICENSES.txt"))
                .contains("Harrow Regular: The license; see licenses/OFL.txt\n")
                .contains("Harrow Bold: The license; see licenses/ofl-2.txt\n")
                .contains("Harrow Black: The license; see licenses/OFL.txt\n");
        assertThat(Pack.unzipped(new ByteArrayInputStream(pack.zip())).entries())
                .hasSameSizeAs(pack.entries());
    }

    @Test
    void noticesGoAlongByteForByte() {
        byte[] utf16 = "Copyright ©".getBytes(StandardCharsets.UTF_16LE);
        Pack pack = PackWriter.write(request(
                Placement.beside(),
                OutputShape.STYLE_SHEET,
                roles("Harrow"),
                List.of(face("Harrow", REGULAR, new Notice("OFL.txt", utf16)))));
        assertThat(pack.entries().stream()
                        .filter(entry -> entry.path().equals("licenses/OFL.txt"))
                        .map(Entry::bytes))
                .containsExactly(utf16);
    }

    private static String css(List<Role> roles, List<Face> faces) {
        return text(PackWriter.write(request(Placement.beside(), OutputShape.STYLE_SHEET, roles, faces)), "type.css");
    }
}
