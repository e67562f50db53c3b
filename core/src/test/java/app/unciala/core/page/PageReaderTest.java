package app.unciala.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.page.PageFinding.Kind;
import app.unciala.core.page.PageFinding.Severity;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Run.Given;
import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Pages with real fonts of Debian packages, from a host that only answers what the test gives it. */
class PageReaderTest {
    private static final String PAGE = "https://client.example/a/page.html";
    private static final Path FONTS = Path.of("/usr/share/fonts/truetype");
    private static final byte[] REGULAR = bytes("lato/Lato-Regular.ttf");
    private static final byte[] BOLD = bytes("lato/Lato-Bold.ttf");

    private final Map<String, Resource> host = new HashMap<>();

    private static byte[] bytes(String font) {
        try {
            return Files.readAllBytes(FONTS.resolve(font));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void aFamilyThatComesFromACustomPropertyIsCorrectedWhereThatIsSet() {
        serve("regular.ttf", REGULAR);
        String page = """
                <!doctype html><style>
                @font-face { font-family: Harrow; src: url(regular.ttf) }
                :root { --brand: "Harow", Georgia; --text: Harrow }
                h1 { font-family: var(--brand), serif }
                p { font-family: var( --none, Harow ), serif } nav { --brand: Harow; font-family: inherit }
                </style><h1>Title <i>all</i></h1><p>Plain</p><nav>Go</nav>""";
        List<PageFinding> undeclared = read(page).findings().stream()
                .filter(finding -> finding.kind() == Kind.UNDECLARED_FAMILY)
                .toList();
        assertThat(undeclared)
                .extracting(finding -> finding.fix().orElseThrow())
                .containsExactly(":root { --brand: \"Harrow\", \"Georgia\" }", "p { font-family: \"Harrow\", serif }");
        assertThat(undeclared.get(0).message())
                .contains("by h1 (page.html, line 4) from --brand of :root (page.html, line 3)");
    }

    @Test
    void everyRunSaysWhatIsAskedAndGiven() {
        serve("regular.ttf", REGULAR);
        serve("bold.ttf", BOLD);
        List<Run> runs = runs("""
                <!doctype html><title>No text</title><style>
                @font-face { font-family: Harrow; src: url(regular.ttf) }
                @font-face { font-family: "harrow"; src: url(bold.ttf); font-weight: 700 }
                body { font-family: HARROW, serif }
                .away { display: none } .unseen { visibility: hidden }
                q::before { content: "“" } q::after { content: none }
                </style>
                <h1>Title</h1> <p>Plain <i>leaning</i>\u00a0<q>said</q></p>
                <p class=away>no</p><p class=unseen>no <b style="visibility: visible">yes</b></p>
                <details><summary>Sum</summary>folded</details><noscript>none</noscript>
                <p>Ж→字</p>
                """);

        assertThat(runs)
                .extracting(Run::text)
                .containsExactly("Title", "Plain", "leaning", "“", "said", "yes", "Sum", "Ж→字");
        assertThat(runs.get(0).path()).isEqualTo("html > body > h1");
        assertThat(runs.get(3).path()).endsWith("q::before");
        Given title = runs.get(0).main();
        assertThat(title.url()).contains("https://client.example/a/bold.ttf");
        assertThat(title.weight()).isEqualTo(700);
        assertThat(title.synthesized()).isEmpty();
        assertThat(runs.get(1).main().family()).isEqualTo("Harrow");
        assertThat(runs.get(2).main().synthesized()).containsExactly("oblique");
        assertThat(runs.get(0).style().familyRule().orElseThrow().line()).isEqualTo(4);
        List<Given> mixed = runs.get(7).given();
        assertThat(mixed).extracting(Given::family).contains("serif");
        assertThat(mixed.stream()
                        .filter(Given::isSystem)
                        .findFirst()
                        .orElseThrow()
                        .characters())
                .contains("字");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "@font-face { font-family: H; src: url(r.ttf) } b { font-family: H, serif }                       | faked-bold",
                "@font-face { font-family: H; src: url(r.ttf) } i { font-family: H, serif }                       | faked-italic",
                "@font-face { font-family: Harrow; src: url(r.ttf) } p { font-family: Harow, serif }              | undeclared-family",
                "@font-face { font-family: H; src: url(gone.woff2) } p { font-family: H, serif }                  | unreachable",
                "@font-face { font-family: H; src: url(login) } p { font-family: H, serif }                       | not-a-font",
                "@font-face { font-family: H; src: url('https://files.example/file/d/1/view') } p { font-family: H, serif } | share-link",
                "@font-face { font-family: H; src: url(https://cdn.other.example/r.ttf) } p { font-family: H, serif } | other-origin",
                "@font-face { font-family: H; src: url(http://client.example/a/r.ttf) } p { font-family: H, serif } | mixed-content",
                "@font-face { font-family: H; src: url(r.eot) } p { font-family: H, serif }                       | unusable-format",
                "@font-face { font-family: H; src: url(refused.ttf) } p { font-family: H, serif }                 | refused-font",
                "@font-face { font-family: H; src: url(r.ttf); font-weight: 300 } p { font-family: H, serif }     | other-weight",
                "@font-face { font-family: H; src: url(r.ttf) } p { font-family: H }                              | no-generic",
                "@font-face { font-family: H; src: url(open.ttf) } p { font-family: H, serif }                    | not-compressed",
                "@font-face { font-family: H; src: url(plain.ttf) } p { font-family: H, serif }                   | wrong-media-type",
                "@font-face { font-family: H; src: url(r.ttf) } @font-face { font-family: H; src: url(r.ttf) } p { font-family: H, serif } | duplicate-face",
                "@font-face { font-family: H; src: url(r.ttf) } p { font-family: serif }                          | unused-face",
                "@font-face { font-family: H; src: url(r.ttf); unicode-range: U+61-6D } p { font-family: H, G, serif } @font-face { font-family: G; src: url(b.ttf) } | missing-characters",
                "@import url(https://fonts.other.example/a.css); p { color: red }                                 | third-party",
                "@import url(gone.css); p { color: red }                                                          | unreachable",
                "@import url(login); p { color: red }                                                             | not-a-style-sheet",
            })
    void eachKindIsFound(String css, String kind) throws IOException {
        serve("r.ttf", REGULAR, Map.of("content-type", "font/ttf", "content-encoding", "br", "etag", "1"));
        serve("b.ttf", BOLD, Map.of("content-type", "font/ttf", "content-encoding", "br", "etag", "1"));
        serve("open.ttf", REGULAR, Map.of("content-type", "font/ttf"));
        serve("plain.ttf", REGULAR, Map.of("content-type", "text/plain", "content-encoding", "gzip", "etag", "1"));
        serve("r.eot", FontWriter.write(FontReader.read(REGULAR).faces().get(0), FontFormat.EOT));
        serve(
                "login",
                "<!doctype html><p>Sign in".getBytes(StandardCharsets.UTF_8),
                Map.of("content-type", "text/html"));
        host.put("https://files.example/file/d/1/view", page("<html><body>A file"));
        host.put("https://cdn.other.example/r.ttf", font("https://cdn.other.example/r.ttf", REGULAR, Map.of()));
        host.put("https://fonts.other.example/a.css", page("p {}"));
        serve("refused.ttf", withoutPost());

        List<PageFinding> found = read("<!doctype html><style>" + css + "</style><p>The quick <b>b</b> <i>i</i></p>")
                .findings();

        assertThat(found).extracting(finding -> finding.kind().key()).contains(kind);
        assertThat(found).allSatisfy(finding -> assertThat(finding.message()).endsWith("."));
    }

    @Test
    void aPageThatIsRightHasNothingWrong() {
        serve("regular.ttf", REGULAR, Map.of("content-type", "font/ttf", "content-encoding", "br", "etag", "1"));
        PageReading reading = read("""
                <!doctype html><link rel=preload as=font href=regular.ttf crossorigin><style>
                @font-face { font-family: Harrow; src: local("Harrow"), url(regular.ttf) format("truetype") }
                p { font-family: Harrow, Georgia, serif } </style><p>Text</p><h1>System</h1>
                """);
        assertThat(reading.findings()).isEmpty();
    }

    @Test
    void aBaseIsWhatAddressesAreRelativeToAndThePageWhatRulesAreToldBy() {
        serve("sub/regular.ttf", REGULAR);
        Run run = runs("""
                <!doctype html><base href="sub/"><style>@font-face { font-family: H; src: url(regular.ttf) }
                p { font-family: H, serif }</style><p>x</p><select><option>no</option></select>
                """).get(0);
        assertThat(run.main().url()).contains("https://client.example/a/sub/regular.ttf");
        assertThat(run.style().familyRule().orElseThrow().url()).isEqualTo(PAGE);
        assertThat(run.main().rule().orElseThrow().url()).isEqualTo(PAGE);
    }

    @Test
    void whatIsNextInTheListIsToldAsAFallback() {
        serve("r.ttf", REGULAR);
        List<PageFinding> found = read("""
                <!doctype html><style>@font-face { font-family: H; src: url(r.ttf) }
                @font-face { font-family: Gone; src: url(gone.ttf) } h1 { font-family: Gone, H, serif }</style><h1>x</h1>
                """).findings();
        assertThat(found).extracting(PageFinding::kind).contains(Kind.FALLBACK, Kind.FAKED_BOLD, Kind.UNREACHABLE);
        assertThat(found.stream().map(PageFinding::message))
                .anyMatch(message -> message.startsWith("Gone is asked for, but H is shown"))
                .anyMatch(
                        message -> message.startsWith("H Bold is asked for, but H Regular with a faked bold is shown"));
    }

    @Test
    void charactersThatAFaceLacksAreNoFallback() {
        serve("r.ttf", REGULAR);
        List<PageFinding> found = read("""
                <!doctype html><style>@font-face { font-family: H; src: url(r.ttf) } p { font-family: H, serif }</style>
                <p>字字</p><p>ab字</p>
                """).findings();
        assertThat(found.stream()
                        .filter(finding -> finding.kind() == Kind.MISSING_CHARACTERS)
                        .map(PageFinding::message))
                .containsExactly("H lacks 字, which serif shows. So is 1 other text.");
        assertThat(found).extracting(PageFinding::kind).doesNotContain(Kind.FALLBACK);
    }

    @Test
    void aNameWithAWordMoreOrAStyleIsNearTheDeclaredOne() {
        serve("r.ttf", REGULAR);
        for (String name : List.of("Harrow Web", "Harrow Bold", "harow", "Har-row")) {
            List<PageFinding> found = read("<!doctype html><style>@font-face { font-family: Harrow; src: url(r.ttf) }"
                            + " p { font-family: '" + name + "', serif }</style><p>x")
                    .findings();
            assertThat(found.get(0).fix()).as(name).contains("p { font-family: \"Harrow\", serif }");
        }
        assertThat(read("<!doctype html><style>@font-face { font-family: V; src: url(r.ttf) }"
                                + " p { font-family: Vellum, serif }</style><p>x")
                        .findings()
                        .get(0)
                        .fix())
                .isEmpty();
    }

    @Test
    void equalCausesAreOneFinding() {
        serve("r.ttf", REGULAR);
        List<PageFinding> found = read("""
                <!doctype html><style>@font-face { font-family: H; src: url(r.ttf) } body { font-family: H, serif }</style>
                <p><b>one</b> <b>two</b> <b>three</b>
                """).findings().stream()
                .filter(finding -> finding.kind().severity() == Severity.ERROR)
                .toList();
        assertThat(found).hasSize(1);
        assertThat(found.get(0).message())
                .isEqualTo("H Bold is asked for, but H Regular with a faked bold is shown: no rule declares 700"
                        + " (page.html, line 1). So are 2 other texts.");
        assertThat(found.get(0).fix().orElseThrow())
                .contains("font-weight: 700")
                .contains("b:nth-of-type(1) { font-weight: 400 }");
        assertThat(found.get(0).text()).contains("one");
    }

    @Test
    void aFontOfAnotherOriginIsTakenWithItsConsentAndOneInTheStyleSheetAlways() {
        String url = "https://cdn.other.example/r.ttf";
        host.put(url, font(url, REGULAR, Map.of("access-control-allow-origin", "*")));
        String inline = inlined(BOLD);
        PageReading reading = read("<!doctype html><style>@font-face { font-family: A; src: url(" + url
                + ") } @font-face { font-family: B; src: url(" + inline
                + ") } p { font-family: A, serif } q { font-family: B, serif }</style><p>one</p><q>two</q>");
        assertThat(reading.runs()).extracting(run -> run.main().family()).containsExactly("A", "B");
        assertThat(reading.findings()).extracting(PageFinding::kind).contains(Kind.THIRD_PARTY);
    }

    @Test
    void anOwnCopyThatFailsIsToldThoughAThirdPartyHidesIt() {
        String url = "https://cdn.other.example/r.ttf";
        host.put(url, font(url, REGULAR, Map.of("access-control-allow-origin", "*")));
        serve("bold.ttf", BOLD);
        String page = "<!doctype html><style>@font-face { font-family: A; src: url(own.ttf) }"
                + " @font-face { font-family: A; src: url(bold.ttf); font-weight: 700 }"
                + " @font-face { font-family: a; src: url(" + url + ") }"
                + " p { font-family: A, serif }</style><p>one</p>";
        assertThat(told(read(page), Kind.OWN_COPY_BROKEN))
                .containsExactly("The site’s own copy of A Regular can’t be used (https://client.example/a/own.ttf: "
                        + "the server answers 404); visitors see the one from cdn.other.example instead.");
        serve("own.ttf", REGULAR);
        assertThat(told(read(page), Kind.OWN_COPY_BROKEN)).isEmpty();
    }

    @Test
    void connectionsAndScriptsTellAThirdPartyOfAVisit() {
        String page = """
                <!doctype html><link rel=preconnect href="https://fonts.other.example"><link rel="dns-prefetch" href="//names.example">
                <link rel=preconnect href="https://store.example"><link rel=preconnect href="https://cdn.client.example">
                <script src="https://loader.example/fontload.js"></script><script src="https://count.example/a.js"></script>
                <script>add('https://files.example/a.woff2'); add("/own.woff2"); go("https://shop.example/buy")</script><p>x""";
        PageReading reading = new PageReader(
                        serving(
                                page.getBytes(StandardCharsets.UTF_8),
                                Map.of("content-type", "text/html; charset=utf-8")),
                        Viewport.LAPTOP,
                        new OwnHosts(Set.of("store.example")))
                .read(PAGE);
        assertThat(told(reading, Kind.THIRD_PARTY))
                .hasSize(4)
                .anyMatch(said -> said.startsWith("A preconnect link opens a connection to fonts.other.example"))
                .anyMatch(said -> said.startsWith("A dns-prefetch link looks up names.example"))
                .anyMatch(said -> said.startsWith("A script names https://loader.example/fontload.js"))
                .anyMatch(said -> said.startsWith("A script names https://files.example/a.woff2"));
    }

    @Test
    void choicesOfAMenuAreTexts() {
        assertThat(runs("<!doctype html><p>x</p><select><option>Small<option>Large</select>"))
                .extracting(Run::text)
                .containsExactly("x", "Small", "Large");
    }

    private static List<String> told(PageReading reading, Kind kind) {
        return reading.findings().stream()
                .filter(finding -> finding.kind() == kind)
                .map(PageFinding::message)
                .toList();
    }

    @Test
    void fontsInDataUrlsAreToldApart() {
        PageReading reading = read("<!doctype html><style>@font-face { font-family: A; src: url(" + inlined(REGULAR)
                + ") } @font-face { font-family: B; src: url(" + inlined(BOLD)
                + ") } p { font-family: A, serif } q { font-family: B, serif }</style><p>one</p><q>two</q>");
        assertThat(reading.runs())
                .extracting(run -> run.main().url().orElse(""))
                .doesNotHaveDuplicates()
                .allMatch(url -> url.matches("data:font/ttf;sha256=[0-9a-f]{16}"), "a type and a digest");
    }

    private static String inlined(byte[] font) {
        return "data:font/ttf;base64," + Base64.getEncoder().encodeToString(font);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "<",
                "<p",
                "<p>text",
                "<!doctype",
                "<style>p{",
                "<p style='font-family:'>x",
                "<title>x",
                "\u0000\u0000",
                "<svg><text font-family=A font-size=9>drawn</text><desc>none</desc></svg>",
                "<p>\ud800</p>",
                "<base href='::'><link rel=stylesheet href='http://['>x",
                "<link rel=stylesheet href=''>x",
                "<template><p>x</template>",
                "<select><option>x</select>",
                "<font face=A size=+2>x</font>",
                "<link rel='stylesheet stylesheet' href=x.css class='a a'><p class='b b'>x",
                "<style>@font-face{}@font-face{font-family:A}@font-face{src:url()}@font-face{font-family:A;src:url(}</style>x"
            })
    void damagedPagesAreReadAsFarAsTheyGo(String html) {
        assertThat(read(html).isRead()).isTrue();
    }

    @Test
    void whatIsWithoutEndIsCutAndSaid() {
        assertThat(runs("<div>".repeat(20_000) + "deep")).hasSizeLessThan(2);
        String rules = "p{font-weight:300}".repeat(100_050);
        PageReading cut = read("<!doctype html><style>" + rules + "</style><p>x");
        assertThat(cut.findings()).extracting(PageFinding::kind).contains(Kind.GIVEN_UP);
        String slow = ":has(" + "* ~ ".repeat(12) + ":not(*)){font-weight:300}";
        PageReading spent = read("<!doctype html><style>" + slow + "</style>" + "<i>a</i>".repeat(300));
        assertThat(spent.findings()).extracting(PageFinding::kind).contains(Kind.GIVEN_UP);
        assertThat(spent.runs()).hasSize(300);
    }

    @Test
    void encodingsAreThoseThatTheServerOrThePageSays() {
        byte[] latin = "<!doctype html><p>na\u00efve".getBytes(StandardCharsets.ISO_8859_1);
        assertThat(readBytes(latin, Map.of("content-type", "text/html; charset=iso-8859-1"))
                        .runs()
                        .get(0)
                        .text())
                .isEqualTo("naïve");
        byte[] meta = "<!doctype html><meta charset=windows-1252><p>na\u00efve".getBytes(StandardCharsets.ISO_8859_1);
        assertThat(readBytes(meta, Map.of()).runs().get(0).text()).isEqualTo("naïve");
        assertThat(readBytes(
                                "<p>naïve".getBytes(StandardCharsets.UTF_8),
                                Map.of("content-type", "text/html; charset=nonsense"))
                        .runs()
                        .get(0)
                        .text())
                .isEqualTo("naïve");
    }

    @Test
    void aPageThatIsNotThereSaysWhy() {
        PageReading reading = PageReader.read(PAGE, (url, use) -> Resource.failed(url, "no answer"), Viewport.LAPTOP);
        assertThat(reading.isRead()).isFalse();
        assertThat(reading.findings().get(0).message()).isEqualTo("The page cannot be read: no answer.");
    }

    private static byte[] withoutPost() {
        byte[] bytes = REGULAR.clone();
        int tables = bytes[5];
        for (int i = 0; i < tables; i++) {
            int record = 12 + 16 * i;
            if (new String(bytes, record, 4, StandardCharsets.US_ASCII).equals("head")) {
                int offset = (bytes[record + 9] & 0xFF) << 16
                        | (bytes[record + 10] & 0xFF) << 8
                        | (bytes[record + 11] & 0xFF);
                bytes[offset + 12] = 1;
            }
        }
        return bytes;
    }

    private void serve(String name, byte[] bytes) {
        serve(name, bytes, Map.of());
    }

    private void serve(String name, byte[] bytes, Map<String, String> headers) {
        String url = "https://client.example/a/" + name;
        host.put(url, font(url, bytes, headers));
    }

    private static Resource font(String url, byte[] bytes, Map<String, String> headers) {
        return new Resource(url, 200, headers, bytes, Optional.empty());
    }

    private static Resource page(String text) {
        return new Resource(
                "https://x.example/", 200, Map.of(), text.getBytes(StandardCharsets.UTF_8), Optional.empty());
    }

    private List<Run> runs(String html) {
        return read(html).runs();
    }

    /** The host with a page at its address. */
    private Resources serving(byte[] html, Map<String, String> headers) {
        Resource page = new Resource(PAGE, 200, headers, html, Optional.empty());
        return (url, use) -> url.equals(PAGE)
                ? page
                : host.getOrDefault(url, new Resource(url, 404, Map.of(), new byte[0], Optional.empty()));
    }

    private PageReading read(String html) {
        return readBytes(html.getBytes(StandardCharsets.UTF_8), Map.of("content-type", "text/html; charset=utf-8"));
    }

    private PageReading readBytes(byte[] html, Map<String, String> headers) {
        return PageReader.read(PAGE, serving(html, headers), Viewport.LAPTOP);
    }
}
