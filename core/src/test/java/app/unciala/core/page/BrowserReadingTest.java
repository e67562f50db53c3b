package app.unciala.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.core.page.BrowserReading.File;
import app.unciala.core.page.BrowserReading.Preload;
import app.unciala.core.page.BrowserReading.Sheet;
import app.unciala.core.page.BrowserReading.Style;
import app.unciala.core.page.BrowserReading.Window;
import app.unciala.core.page.PageFinding.Kind;
import app.unciala.core.page.Resources.Resource;
import app.unciala.font.face.Slope;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Readings that a browser made of pages with real fonts of Debian packages. */
class BrowserReadingTest {
    private static final String PAGE = "https://intra.client.example/board";
    private static final String FONT = "https://intra.client.example/fonts/lato.ttf";
    private static final String CSS = "https://cdn.example/type.css";
    private static final String RULES = """
            @font-face { font-family: Harrow; src: url(https://intra.client.example/fonts/lato.ttf) }
            .board { font-family: Harrow, serif }
            .board::before { content: "§" }""";
    private static final Style HARROW_400 = new Style("Harrow, serif", 400, "normal", 100, 16);
    private static final Style HARROW_700 = new Style("Harrow, serif", 700, "italic", 100, 24);

    private final List<Style> styles = new ArrayList<>(List.of(HARROW_400, HARROW_700));
    private final List<String> scripts = new ArrayList<>();
    private final List<File> files = new ArrayList<>(List.of(css(RULES), font()));
    private final List<String> askedOfWeb = new ArrayList<>();

    private static File css(String rules) {
        return new File(
                CSS,
                null,
                200,
                Map.of("content-type", "text/css"),
                Base64.getEncoder().encodeToString(rules.getBytes(StandardCharsets.UTF_8)));
    }

    private static File font() {
        try {
            byte[] bytes = Files.readAllBytes(Path.of("/usr/share/fonts/truetype/lato/Lato-Regular.ttf"));
            return new File(
                    FONT,
                    FONT,
                    200,
                    Map.of("content-type", "font/ttf", "cache-control", "max-age=60"),
                    Base64.getEncoder().encodeToString(bytes));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private BrowserReading reading(String body) {
        return new BrowserReading(
                1,
                PAGE,
                PAGE,
                "",
                false,
                false,
                new Window(1440, 900),
                "<html><body class=\"board\">" + body + "</body></html>",
                styles,
                List.of(new Sheet(CSS, null, null)),
                List.of(new Preload(FONT, true)),
                scripts,
                files);
    }

    private PageReading read(String body) {
        return reading(body).read((url, use) -> {
            askedOfWeb.add(url);
            return Resource.failed(url, "nobody answers");
        });
    }

    @Test
    void theBrowserSaysWhatIsAskedAndOurRulesSayWhy() {
        PageReading page = read("<h1 data-unciala-style=\"1\">BDO</h1><p data-unciala-style=\"0\"> abc</p>");
        assertThat(page.runs()).extracting(Run::text).containsExactly("§", "BDO", "abc");
        Run title = page.runs().get(1);
        assertThat(title.style().weight()).isEqualTo(700);
        assertThat(title.style().slope()).isEqualTo(Slope.ITALIC);
        assertThat(title.style().usedSize()).isEqualTo(24);
        assertThat(title.main().url()).contains(FONT);
        assertThat(title.main().synthesized()).containsExactly("bold", "oblique");
        assertThat(title.style().familyRule().orElseThrow().url()).isEqualTo(CSS);
        assertThat(title.style().familyRule().orElseThrow().line()).isEqualTo(2);
        assertThat(page.findings())
                .extracting(PageFinding::kind)
                .contains(Kind.FAKED_BOLD, Kind.FAKED_ITALIC)
                .doesNotContain(Kind.OTHER_ORIGIN, Kind.UNREACHABLE, Kind.NO_CACHING, Kind.UNUSED_PRELOAD);
        assertThat(askedOfWeb).as("all is in the reading").isEmpty();
    }

    @Test
    void whatOurCascadeDoesNotKnowIsTakenFromTheBrowserWithoutARule() {
        styles.add(new Style("\"Wick Sans\", oblique 12deg", 1, "oblique 12deg", 75, 3));
        styles.add(new Style("Wick, serif", 250.5, "oblique 12deg", 75, 3));
        PageReading page =
                read("<p data-unciala-style=\"3\">x</p><p data-unciala-style=\"9\">away</p><p hidden=\"\">y</p>");
        Run text = page.runs().get(1);
        assertThat(text.style().families()).extracting(Object::toString).hasSize(2);
        assertThat(text.style().slope()).isEqualTo(Slope.OBLIQUE);
        assertThat(text.style().weight()).isEqualTo(250.5);
        assertThat(text.style().width()).isEqualTo(75);
        assertThat(text.style().familyRule()).isEmpty();
        assertThat(page.runs()).extracting(Run::text).containsExactly("§", "x", "away");
        assertThat(page.findings()).extracting(PageFinding::kind).contains(Kind.UNDECLARED_FAMILY);
        scripts.add("WICK");
        assertThat(read("<p data-unciala-style=\"3\">x</p>").findings())
                .as("a family that a script added needs no rule")
                .extracting(PageFinding::kind)
                .doesNotContain(Kind.UNDECLARED_FAMILY, Kind.FALLBACK);
    }

    @Test
    void aTextThatIsShownIsReadThoughRulesSeemToHideIt() {
        files.set(0, css(RULES + " p { display: none } b { font-family: serif }"));
        assertThat(read("<p><b data-unciala-style=\"0\">shown</b></p><p>not</p>")
                        .runs())
                .extracting(Run::text)
                .containsExactly("§", "shown");
    }

    @Test
    void whatTheBrowserMayNotReadIsAskedOfTheWebOnce() {
        files.remove(0);
        PageReading page = read("<p data-unciala-style=\"0\">abc</p>");
        assertThat(askedOfWeb).containsExactly(CSS);
        assertThat(page.findings()).extracting(PageFinding::message).anyMatch(said -> said.contains("nobody answers"));
    }

    @Test
    void filesThatFailedForTheBrowserAreTold() {
        files.set(1, new File(FONT, null, 0, null, null));
        assertThat(read("<p data-unciala-style=\"0\">abc</p>").findings())
                .filteredOn(finding -> finding.kind() == Kind.UNREACHABLE)
                .extracting(PageFinding::message)
                .singleElement()
                .asString()
                .contains("the browser was given no answer");
        Map<String, String> headers = new HashMap<>();
        headers.put("content-type", null);
        files.set(1, new File(FONT, null, 200, headers, "%%%"));
        assertThat(read("<p data-unciala-style=\"0\">abc</p>").findings())
                .extracting(PageFinding::message)
                .anyMatch(said -> said.contains("no Base64"));
    }

    @Test
    void aDamagedReadingIsRefusedByName() {
        Window window = new Window(100, 100);
        assertThatThrownBy(() -> of(2, PAGE, window, "<html/>", List.of())).hasMessageContaining("version is 2");
        assertThatThrownBy(() -> of(1, "file:///etc/passwd", window, "<html/>", List.of()))
                .hasMessageContaining("isn’t an address of a page");
        assertThatThrownBy(() -> of(1, PAGE, null, "<html/>", List.of())).hasMessage("window is missing");
        assertThatThrownBy(() -> of(1, PAGE, window, null, List.of())).hasMessage("document is missing");
        assertThatThrownBy(() -> of(1, PAGE, window, "<html/>", Arrays.asList((Style) null)))
                .hasMessageContaining("styles");
        assertThatThrownBy(() -> new Window(Double.NaN, 10)).hasMessageContaining("window");
        assertThatThrownBy(() -> new Style(null, 400, "normal", 100, 16)).hasMessageContaining("family");
        assertThatThrownBy(() -> of(1, PAGE, window, "no XML < & <p", List.of()))
                .hasMessageContaining("no html element");
        assertThat(of(1, PAGE, window, "<html>" + "<a>".repeat(100_000), null)
                        .read((url, use) -> Resource.failed(url, ""))
                        .runs())
                .as("deeper than any page")
                .isEmpty();
    }

    private static BrowserReading of(int version, String page, Window window, String document, List<Style> styles) {
        return new BrowserReading(
                version, page, page, "", true, true, window, document, styles, List.of(), List.of(), List.of(),
                List.of());
    }
}
