package app.unciala.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.proof.ProofReader.Proof;
import app.unciala.core.testing.StyleSheets;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.net.URI;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Broken style sheets: each fault is found at its place, its correction is made, and nothing is left after that. */
class ProofReaderTest {
    private static final String FACE =
            "@font-face { font-family: \"Harrow\"; src: url(\"harrow.woff2\") format(\"woff2\");"
                    + " font-weight: 400; font-style: normal; font-display: swap }\n";
    private static final String BOLD = FACE.replace("400", "700").replace("harrow.", "harrow-bold.");
    private static final String TEXT = "body { font-family: \"Harrow\", sans-serif }\n";

    private static final Reference FILES = Reference.served(
            Optional.of(URI.create("https://www.client.example/site.css")),
            Optional.of(List.of(
                    file("harrow.woff2", Range.of(400), Slope.UPRIGHT),
                    file("harrow-bold.woff2", Range.of(700), Slope.UPRIGHT),
                    file("harrow-italic.woff2", Range.of(400), Slope.ITALIC),
                    file("harrow-var.woff2", new Range(100, 900), Slope.UPRIGHT),
                    new KnownFile(
                            "tern.woff2",
                            "Tern",
                            Slot.of(400, 100, Slope.UPRIGHT),
                            FontFormat.WOFF2,
                            Optional.of(GenericFamily.SERIF),
                            Optional.of("the license ended on May 1, 2026")))));

    private static final Reference SERVED = Reference.served(FILES.servedAt(), Optional.empty());

    private static KnownFile file(String name, Range weight, Slope slope) {
        return new KnownFile(
                name,
                "Harrow",
                new Slot(weight, Range.of(100), slope),
                FontFormat.WOFF2,
                Optional.of(GenericFamily.SERIF),
                Optional.empty());
    }

    /**
     * A broken style sheet.
     *
     * @param marked the text, with ¦ at the place of the finding
     * @param fixed what stands in the corrected text, or empty when the fault cannot be mended without knowing more
     */
    record Broken(FindingKind kind, String marked, String fixed, Reference against) {
        @Override
        public String toString() {
            return kind.key() + ": " + marked.replace("\n", " ");
        }
    }

    private static Broken broken(FindingKind kind, String marked, String fixed) {
        return new Broken(kind, marked, fixed, Reference.none());
    }

    private static Broken served(FindingKind kind, String marked, String fixed) {
        return new Broken(kind, marked, fixed, SERVED);
    }

    private static Broken held(FindingKind kind, String marked, String fixed) {
        return new Broken(kind, marked, fixed, FILES);
    }

    static List<Broken> broken() {
        return List.of(
                broken(
                        FindingKind.SYNTAX,
                        FACE + "body { font-family: \"Harrow\", sans-serif¦\n  color: red }",
                        "sans-serif;"),
                broken(
                        FindingKind.SYNTAX,
                        FACE + "body { font-family: \"Harrow\"¦ sans-serif }",
                        "\"Harrow\", sans-serif"),
                broken(FindingKind.SYNTAX, FACE + "body { font-family: ¦\"Harrow\",, sans-serif }", ""),
                broken(FindingKind.SYNTAX, FACE + TEXT + "p ¦{ color: red", ""),
                broken(FindingKind.SYNTAX, FACE + TEXT + "p { color: red }\n¦} h2 { color: red }", ""),
                broken(FindingKind.SYNTAX, FACE + TEXT + "p { ¦color red; margin: 0 }", ""),
                broken(FindingKind.SYNTAX, FACE + TEXT + "p { margin: 0 } ¦/* never closed", ""),
                broken(FindingKind.SYNTAX, FACE + TEXT + "q { content: ¦\"open\n; color: red }", ""),
                broken(
                        FindingKind.TYPOGRAPHIC_QUOTES,
                        FACE + "body { font-family: ¦“Harrow”, sans-serif }",
                        "font-family: \"Harrow\", sans-serif"),
                broken(
                        FindingKind.TYPOGRAPHIC_QUOTES,
                        FACE.replace("url(\"harrow.woff2\")", "url(¦‘harrow.woff2’)") + TEXT,
                        "url(\"harrow.woff2\")"),
                broken(
                        FindingKind.UNQUOTED_NAME,
                        FACE.replace("\"Harrow\"", "\"Harrow 3\"") + "body { font-family: ¦Harrow 3, sans-serif }",
                        "\"Harrow 3\", sans-serif"),
                broken(
                        FindingKind.UNQUOTED_NAME,
                        FACE.replace("\"Harrow\"", "\"Harrow Text\"")
                                + "body { font-family: ¦Harrow Text, sans-serif }",
                        "\"Harrow Text\", sans-serif"),
                broken(
                        FindingKind.NAME_MISMATCH,
                        FACE + "body { font-family: ¦\"Harow\", serif }",
                        "\"Harrow\", serif"),
                broken(FindingKind.NAME_MISMATCH, FACE + "body { font-family: ¦harrow, serif }", "\"Harrow\", serif"),
                broken(
                        FindingKind.NAME_MISMATCH,
                        FACE.replace("\"Harrow\"", "\"Old Harrow\"") + "body { font-family: ¦Old-Harrow, serif }",
                        "\"Old Harrow\", serif"),
                broken(
                        FindingKind.NAME_MISMATCH,
                        FACE + BOLD + "body { font: 16px/1.5 ¦\"Harrow-Regular\", serif }",
                        "16px/1.5 \"Harrow\", serif"),
                broken(
                        FindingKind.NAME_MISMATCH,
                        FACE + BOLD + TEXT + "p { font-family: ¦\"Harrow Bold\", serif }",
                        "\"Harrow\", serif; font-weight: 700"),
                broken(
                        FindingKind.UNDECLARED_FAMILY,
                        FACE + TEXT + "h1 { font-weight: 400; font-family: ¦Tern, serif }",
                        ""),
                broken(
                        FindingKind.UNDECLARED_FAMILY,
                        ":root { --text: ¦\"Tern\", serif }\nbody { font-family: var(--text) }",
                        ""),
                broken(FindingKind.UNUSED_FACE, FACE + TEXT + "¦" + FACE.replace("Harrow", "Tern"), TEXT),
                broken(FindingKind.UNUSED_FACE, FACE + BOLD + "¦" + FACE.replace("400", "100") + TEXT, BOLD + TEXT),
                broken(
                        FindingKind.FAMILY_PER_WEIGHT,
                        FACE
                                + FACE.replace("\"Harrow\"", "¦\"Harrow Bold\"").replace("harrow.", "harrow-bold.")
                                + TEXT
                                + "h1 { font-family: \"Harrow Bold\", sans-serif }",
                        "h1 { font-family: \"Harrow\", sans-serif }"),
                broken(
                        FindingKind.FAMILY_PER_WEIGHT,
                        FACE
                                + FACE.replace("\"Harrow\"", "¦\"Harrow-Italic\"")
                                        .replace("harrow.", "harrow-italic.")
                                + TEXT
                                + ".lead { font-family: \"Harrow-Italic\", sans-serif }",
                        "font-family: \"Harrow\", sans-serif; font-style: italic"),
                broken(
                        FindingKind.DUPLICATE_FACE,
                        FACE + "¦" + FACE.replace("swap", "block") + TEXT,
                        "font-display: block"),
                broken(
                        FindingKind.MISSING_DESCRIPTOR,
                        "¦" + BOLD.replace(" font-weight: 700;", "") + TEXT.replace("}", "; font-weight: 700 }"),
                        "font-weight: 700 }"),
                broken(
                        FindingKind.MISSING_DESCRIPTOR,
                        "¦@font-face { font-family: Harrow; font-display: swap }\n" + TEXT,
                        ""),
                broken(FindingKind.MISSING_DESCRIPTOR, "¦@font-face { src: url(a.woff2); font-display: swap }\n", ""),
                broken(
                        FindingKind.WEIGHT_MISMATCH,
                        FACE
                                + FACE.replace("harrow.", "harrow-bold.")
                                        .replace("font-weight: 400", "¦font-weight: 400")
                                + TEXT,
                        "font-weight: 700"),
                broken(
                        FindingKind.NO_GENERIC,
                        FACE.replace("\"Harrow\"", "\"Harrow Sans\"")
                                + "p { font-family: ¦\"Harrow Sans\" }\nq { font-family: \"Harrow Sans\", serif }",
                        "p { font-family: \"Harrow Sans\", sans-serif }"),
                broken(
                        FindingKind.WRONG_FORMAT_HINT,
                        FACE.replace("\"woff2\"", "¦\"woff\"") + TEXT,
                        "format(\"woff2\")"),
                broken(
                        FindingKind.WRONG_FORMAT_HINT,
                        FACE.replace("harrow.woff2", "harrow.ttf").replace("\"woff2\"", "¦\"ttf\"") + TEXT,
                        "format(\"truetype\")"),
                broken(
                        FindingKind.FORMAT_ORDER,
                        FACE.replace("src: url", "src: url(\"harrow.woff\") format(\"woff\"), ¦url") + TEXT,
                        "src: url(\"harrow.woff2\") format(\"woff2\"), url(\"harrow.woff\") format(\"woff\")"),
                broken(
                        FindingKind.LEGACY_FORMAT,
                        FACE.replace("src: url", "src: ¦url(\"harrow.eot?#iefix\") format(\"embedded-opentype\"), url")
                                + TEXT,
                        "src: url(\"harrow.woff2\") format(\"woff2\");"),
                broken(
                        FindingKind.LEGACY_FORMAT,
                        FACE.replace("src: url", "src: ¦url('harrow.eot'); src: url") + TEXT,
                        "\"Harrow\"; src: url(\"harrow.woff2\")"),
                broken(FindingKind.NO_GENERIC, FACE + "body { font-family: ¦\"Harrow\" }", "\"Harrow\", sans-serif }"),
                broken(
                        FindingKind.NO_GENERIC,
                        FACE.replace("Harrow", "Harrow Mono") + "code { font: 1em \"Harrow Mono\", ¦Menlo }",
                        "Menlo, monospace }"),
                broken(
                        FindingKind.UNRESOLVED_PATH,
                        FACE.replace("\"harrow.woff2\"", "¦\"file:///C:/harrow.woff2\"") + TEXT,
                        ""),
                broken(
                        FindingKind.UNRESOLVED_PATH,
                        FACE.replace("\"harrow.woff2\"", "¦\"{{ 'harrow.woff2' | url }}\"") + TEXT,
                        ""),
                served(
                        FindingKind.INSECURE_URL,
                        FACE.replace("\"harrow.woff2\"", "¦\"http://www.client.example/harrow.woff2\"") + TEXT,
                        "url(\"https://www.client.example/harrow.woff2\")"),
                served(
                        FindingKind.SCHEME_RELATIVE_URL,
                        FACE.replace("url(\"harrow.woff2\")", "url(¦//www.client.example/harrow.woff2)") + TEXT,
                        "url(https://www.client.example/harrow.woff2)"),
                broken(
                        FindingKind.SHARE_LINK,
                        FACE.replace("\"harrow.woff2\"", "¦\"https://files.example/file/d/1AbC/view?usp=sharing\"")
                                + TEXT,
                        ""),
                broken(
                        FindingKind.IMPORT_NOT_FIRST,
                        FACE + TEXT + "¦@import \"more.css\";\n",
                        "@import \"more.css\";\n" + FACE),
                held(
                        FindingKind.THIRD_PARTY,
                        FACE.replace("\"harrow.woff2\"", "¦\"https://fonts.vendor.example/harrow.woff2\"") + TEXT,
                        "url(\"harrow.woff2\")"),
                held(
                        FindingKind.THIRD_PARTY,
                        "¦@import url(https://fonts.vendor.example/css?family=Harrow);\n" + FACE + TEXT,
                        FACE + TEXT),
                broken(
                        FindingKind.MISSING_FONT_DISPLAY,
                        "¦" + FACE.replace("; font-display: swap", "") + TEXT,
                        "normal; font-display: swap"),
                broken(FindingKind.ASKED_FACE_NOT_DECLARED, FACE + TEXT + "h1 { ¦font-family: \"Harrow\", serif }", ""),
                broken(FindingKind.ASKED_FACE_NOT_DECLARED, FACE + TEXT + ".lead { ¦font-weight: 600 }", ""),
                broken(FindingKind.ASKED_FACE_NOT_DECLARED, FACE + TEXT + "q { ¦font: italic 1em Harrow, serif }", ""),
                held(
                        FindingKind.UNRESOLVED_PATH,
                        FACE.replace("\"harrow.woff2\"", "¦\"fonts/Harrow.woff2\"") + TEXT,
                        "fonts/harrow.woff2"),
                held(
                        FindingKind.UNRESOLVED_PATH,
                        FACE.replace("\"harrow.woff2\"", "¦\"fonts/heron.woff2\"") + TEXT,
                        ""),
                held(
                        FindingKind.WEIGHT_MISMATCH,
                        FACE + BOLD.replace("font-weight: 700", "¦font-weight: 600") + TEXT,
                        "font-weight: 700"),
                held(
                        FindingKind.WEIGHT_MISMATCH,
                        FACE.replace("harrow.", "harrow-var.").replace("font-weight: 400", "¦font-weight: 100 950")
                                + TEXT,
                        "font-weight: 100 900"),
                held(
                        FindingKind.STYLE_MISMATCH,
                        FACE
                                + FACE.replace("harrow.", "harrow-italic.")
                                        .replace("font-style: normal", "¦font-style: normal")
                                        .replace("400", "300")
                                + TEXT,
                        "font-style: italic"),
                held(
                        FindingKind.NOT_HELD,
                        "@font-face { font-family: ¦\"Heron\"; src: url(https://www.client.example/heron.woff2); font-display: swap }\n"
                                + "body { font-family: Heron, serif }",
                        ""),
                held(
                        FindingKind.NOT_ALLOWED,
                        FACE.replace("\"Harrow\"", "¦\"Tern\"").replace("harrow.", "tern.")
                                + "body { font-family: Tern, serif }",
                        ""));
    }

    @ParameterizedTest
    @MethodSource("broken")
    void findsAFaultAtItsPlaceAndMendsIt(Broken broken) {
        int at = broken.marked().indexOf('¦');
        String css = broken.marked().replace("¦", "");
        String before = css.substring(0, at);
        int line = (int) before.chars().filter(c -> c == '\n').count() + 1;
        int column = at - before.lastIndexOf('\n');

        Proof proof = ProofReader.read(css, broken.against());

        List<Finding> found = proof.findings().stream()
                .filter(finding -> finding.kind() == broken.kind())
                .toList();
        assertEquals(
                List.of(line + ":" + column),
                found.stream()
                        .map(finding -> finding.line() + ":" + finding.column())
                        .toList(),
                () -> "all findings: " + proof.findings());
        assertEquals(!broken.fixed().isEmpty(), found.get(0).fix().isPresent(), "whether there is a correction");
        if (!broken.fixed().isEmpty()) {
            assertTrue(proof.fixed().contains(broken.fixed()), proof.fixed());
            assertEquals(
                    List.of(), ProofReader.read(proof.fixed(), broken.against()).findings(), proof.fixed());
        }
    }

    @Test
    void everyKindHasABrokenStyleSheet() {
        Set<FindingKind> shown = broken().stream().map(Broken::kind).collect(Collectors.toCollection(TreeSet::new));

        assertEquals(EnumSet.allOf(FindingKind.class), shown);
    }

    static Stream<String> clean() {
        return Stream.of(
                FACE + BOLD + TEXT + "h1, h2 { font-family: \"Harrow\", sans-serif; }",
                FACE + "body { font-family: var(--text, serif) }",
                FACE + ":root { --text: \"Harrow\", serif }\nbody { font-family: var(--text) }",
                // Chains of any length are read, and followed as far as they go on pages.
                FACE
                        + IntStream.range(0, 20_000)
                                .mapToObj(i -> "--x" + i + ": var(--x" + (i + 1) + ");")
                                .collect(
                                        Collectors.joining("", ":root {", "}\nbody { font-family: var(--x0), serif }")),
                "body { font-family: -apple-system, BlinkMacSystemFont, \"Segoe UI\", Roboto, Helvetica Neue, Arial, sans-serif,"
                        + " \"Apple Color Emoji\" }",
                "code { font-family: SFMono-Regular, Menlo, monospace, monospace }\nbutton { font: inherit }",
                "select { font: menu } @media print { p { font: 12pt/1.2 Georgia, serif !important } }",
                // Only faces: the rules that use them stand in other style sheets.
                FACE + BOLD + FACE.replace("400", "100"),
                // One face for each range of characters.
                FACE.replace("}", "; unicode-range: U+0-FF }")
                        + FACE.replace("}", "; unicode-range: U+100-24F }")
                        + TEXT,
                // An icon font needs no generic family.
                FACE + ".sign::before { font-family: Harrow; content: \"\\e001\" }",
                FACE.replace("normal; font-display", "normal; font-stretch: 75% 125%; font-display") + TEXT,
                "@charset \"utf-8\"; @layer base, theme; @import \"a.css\"; " + FACE + TEXT,
                "a { &:hover { color: red } .b & { margin: 0 } @media print { display: none } }",
                ".grid { grid-area: 1 / 2; --x: { a: b }; background: url(data:image/png;base64,AA==) }",
                "");
    }

    @ParameterizedTest
    @MethodSource("clean")
    void findsNothingInACleanStyleSheet(String css) {
        assertEquals(List.of(), ProofReader.read(css, Reference.none()).findings());
    }

    @Test
    void publishedStyleSheetsGiveNoFindingThatIsNone() {
        Map<String, List<FindingKind>> found = new TreeMap<>();
        StyleSheets.published().forEach((file, css) -> ProofReader.read(css, Reference.none())
                .findings()
                .forEach(finding ->
                        found.computeIfAbsent(file, key -> new ArrayList<>()).add(finding.kind())));

        // It serves EOT and SVG, and hides its text while it loads.
        assertEquals(
                Map.of(
                        "font-awesome/css/font-awesome.css",
                        List.of(FindingKind.MISSING_FONT_DISPLAY, FindingKind.LEGACY_FORMAT)),
                found);
    }

    @Test
    void aMegabyteIsRead() {
        String css = StyleSheets.published().get("bulma/css/bulma.css");

        assertEquals(List.of(), ProofReader.read(css + css, Reference.none()).findings());
    }

    @Test
    void whatIsHeldMayBeServedUnderAnotherName() {
        Reference held = Reference.inventory(FILES.servedAt(), FILES.files().orElseThrow());
        String css = FACE.replace("harrow.", "harrow-webfont.") + TEXT;

        assertEquals(List.of(), ProofReader.read(css, held).findings());
        assertEquals(
                List.of(FindingKind.NOT_ALLOWED),
                ProofReader.read(css.replace("Harrow", "Tern"), held).findings().stream()
                        .map(Finding::kind)
                        .toList());
    }

    @Test
    void filesThatAreAsDeclaredGiveNoFinding() {
        String css = FACE + BOLD + FACE.replace("harrow.", "harrow-italic.").replace("normal", "italic") + TEXT;

        assertEquals(List.of(), ProofReader.read(css, FILES).findings());
    }

    @Test
    void oneCorrectionLeadsToTheNext() {
        String css =
                "@font-face { font-family: “Harrow Bold”; src: url(//www.client.example/harrow-bold.woff) format('woff'),"
                        + " url(harrow-bold.woff2) format(“woff2”) }\n"
                        + "@font-face { font-family: Harrow; src: url(harrow.eot); src: url(harrow.woff2) }\n"
                        + "h1 { font-family: “harrow bold” }\nbody { font-family: Harow }";

        String fixed = ProofReader.read(css, SERVED).fixed();

        assertEquals(List.of(), ProofReader.read(fixed, SERVED).findings(), fixed);
        assertTrue(fixed.contains("h1 { font-family: \"Harrow\", sans-serif"), fixed);
    }

    @Test
    void aFaceIsNotTakenOutForAnotherThatIsDeclaredWrongly() {
        String css = FACE + FACE.replace("harrow.", "harrow-bold.") + TEXT;

        String fixed = ProofReader.read(css, Reference.none()).fixed();

        assertEquals(FACE + BOLD + TEXT, fixed);
    }

    @Test
    void anImportThatARuleMayNeedIsLeftToPeople() {
        String css = "@import \"https://fonts.vendor.example/css?family=Tern\";\n" + FACE + TEXT
                + "h2 { font: 400 1em Tern, serif }";

        Finding finding = ProofReader.read(css, Reference.none()).findings().get(0);

        assertEquals(FindingKind.THIRD_PARTY, finding.kind());
        assertEquals(Optional.empty(), finding.fix());
    }

    @Test
    void mendingIsDoneOnce() {
        for (Broken broken : broken()) {
            String fixed = ProofReader.read(broken.marked().replace("¦", ""), broken.against())
                    .fixed();
            assertEquals(fixed, ProofReader.read(fixed, broken.against()).fixed());
        }
    }

    @Test
    void anyTextIsReadToItsEnd() {
        String whole = broken().stream().map(Broken::marked).collect(Collectors.joining("\n"));
        for (int length = 0; length < whole.length(); length += 7) {
            String cut = whole.substring(0, length) + "\\";
            Proof proof = ProofReader.read(cut, Reference.none());
            int lines = cut.split("\n", -1).length;
            assertTrue(proof.findings().stream().allMatch(finding -> finding.line() >= 1 && finding.line() <= lines));
        }
    }

    @Test
    void theStyleElementsOfHtmlAreReadAtTheirPlaces() {
        String html = """
                <!-- type --><link rel="preconnect" href="https://a.example">
                <style media="screen">
                @font-face { font-family: Harrow; src: url(h.woff2) format("woff2"); font-weight: 400; font-display: swap }
                </style><!-- <style>p { font-family: Nobody }</style> -->
                <STYLE>h1 { font-family: Harow, serif }</style><p style="x">Harow</p>
                """;
        Proof proof = ProofReader.read(html, Reference.served(Optional.empty(), Optional.empty()));
        assertThat(proof.findings())
                .extracting(Finding::kind, Finding::line)
                .containsExactly(tuple(FindingKind.NAME_MISMATCH, 5));
        assertThat(proof.fixed()).isEqualTo(html.replace("h1 { font-family: Harow", "h1 { font-family: \"Harrow\""));
        assertThat(ProofReader.named(html).families()).containsExactly("Harrow");
        assertThat(ProofReader.read(
                                "<!-- h1 { font-family: x } -->", Reference.served(Optional.empty(), Optional.empty()))
                        .findings())
                .as("a style sheet may begin so")
                .isNotEmpty();
    }

    @Test
    void namesWhatIsToBeLookedUp() {
        ProofReader.Named named = ProofReader.named(FACE + BOLD + "@font-face { src: url(a/b/Tern%20Text.otf?v=2#x) }");

        assertEquals(Set.of("Harrow"), named.families());
        assertEquals(Set.of("harrow.woff2", "harrow-bold.woff2", "Tern%20Text.otf"), named.files());
    }
}
