package app.unciala.bench;

import app.unciala.core.check.CheckedPage;
import app.unciala.core.check.SitePlan;
import app.unciala.core.check.SiteReader;
import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.page.AskedRole;
import app.unciala.core.page.OwnHosts;
import app.unciala.core.page.PageReader;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.TriedSheet;
import app.unciala.demo.DemoFont;
import app.unciala.font.face.Slope;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Reading a page of 5,000 elements with 300 kB of style sheets: parsing, the cascade, and what paints each text; and
 * checking a site of fifty pages of 1,000 elements under the same style sheet, each in two windows.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class PageBench {
    private final Resources host = host(page(5000), css(300_000));
    private final Resources smallPages = host(page(1000), css(300_000));
    private final Resources themed = host(page(1000), THEME + css(300_000).replace(" > h2", " > h4"));

    /** Two fonts, and a theme that sets its headings by a custom property. */
    private static final String THEME = "@font-face { font-family: Harrow; src: url(harrow.ttf) }"
            + "@font-face { font-family: Wendlow; src: url(wendlow.ttf) }"
            + ":root { --heading: Georgia, serif } h2 { font: 700 2em/1.2 var(--heading) } .card h2 { font-weight: 400 }";

    private static String page(int elements) {
        StringBuilder html = new StringBuilder("<!doctype html><link rel=stylesheet href=type.css><body>");
        for (int i = 0; i < elements / 10; i++) {
            html.append("<section class='card part-")
                    .append(i % 200)
                    .append("'><h2>Heading ")
                    .append(i);
            html.append("</h2><p class=lead>Some <b>bold</b> and <i>leaning</i> words</p><ul><li>one<li>two<li><a")
                    .append(" href=#>three</a></ul></section>");
        }
        return html.toString();
    }

    private static String css(int length) {
        StringBuilder css = new StringBuilder(":root { --text: Harrow, serif } body { font: 16px/1.5 var(--text) }\n");
        for (int i = 0; css.length() < length; i++) {
            css.append(".part-")
                    .append(i % 400)
                    .append(i % 3 == 0 ? " > h2" : i % 3 == 1 ? " li:nth-child(2n)" : " p b");
            css.append(" {\n  margin: 0 auto ")
                    .append(i % 40)
                    .append("px;\n  font-weight: ")
                    .append(100 + i % 9 * 100);
            css.append(";\n  font-family: var(--text);\n}\n");
        }
        return css.toString();
    }

    private static Resources host(String html, String css) {
        Resource page = new Resource(
                "https://a.example/", 200, Map.of(), html.getBytes(StandardCharsets.UTF_8), Optional.empty());
        Resource sheet = new Resource(
                "https://a.example/type.css", 200, Map.of(), css.getBytes(StandardCharsets.UTF_8), Optional.empty());
        Resource font = new Resource(
                "https://a.example/harrow.ttf",
                200,
                Map.of(),
                DemoFont.all().get(0).bytes(),
                Optional.empty());
        return (url, use) -> url.endsWith("css") ? sheet : url.endsWith("ttf") ? font : page;
    }

    @Benchmark
    public int fiftyPages() {
        return read(smallPages, 50, List.of(), Optional.empty());
    }

    /** The baseline of the next. */
    @Benchmark
    public int twentyPages() {
        return read(themed, 20, List.of(), Optional.empty());
    }

    /** With the text roles of the site, of which one is shown otherwise, and a new pack tried. */
    @Benchmark
    public int twentyPagesWithRoles() {
        List<AskedRole> roles = List.of(
                AskedRole.of("Headings", "h2", "Wendlow", 400, Slope.UPRIGHT),
                AskedRole.of("Running text", "p", "Harrow", 400, Slope.UPRIGHT),
                AskedRole.of("Buttons", "button, input", "Harrow", 400, Slope.UPRIGHT));
        TriedSheet pack = new TriedSheet("h2 { font-family: Wendlow, serif }", Map.of());
        return read(themed, 20, roles, Optional.of(pack));
    }

    private static int read(Resources host, int count, List<AskedRole> roles, Optional<TriedSheet> tried) {
        List<String> pages = IntStream.range(0, count)
                .mapToObj(i -> "https://a.example/" + i)
                .toList();
        SitePlan plan =
                new SitePlan(pages, Set.of("a.example"), Set.of(), false, count, OwnHosts.OF_PAGE, roles, tried);
        List<CheckedPage> read = new ArrayList<>();
        SiteReader.read(plan, host, new SiteReader.Listener() {
            @Override
            public boolean reading(String url, int pagesRead, int known) {
                return true;
            }

            @Override
            public void page(CheckedPage page) {
                read.add(page);
            }
        });
        return read.size();
    }

    @Benchmark
    public PageReading read() {
        return PageReader.read("https://a.example/", host, Viewport.LAPTOP);
    }
}
