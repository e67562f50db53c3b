package app.unciala.bench;

import app.unciala.core.check.CheckedPage;
import app.unciala.core.check.SitePlan;
import app.unciala.core.check.SiteReader;
import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.page.PageReader;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Resource;
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
        return (url, use) -> url.endsWith("css") ? sheet : page;
    }

    @Benchmark
    public int fiftyPages() {
        List<String> pages =
                IntStream.range(0, 50).mapToObj(i -> "https://a.example/" + i).toList();
        SitePlan plan = new SitePlan(pages, Set.of("a.example"), Set.of(), false, 50);
        List<CheckedPage> read = new ArrayList<>();
        SiteReader.read(plan, smallPages, new SiteReader.Listener() {
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
