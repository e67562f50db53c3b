package app.unciala.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What a host says of its pages: the rules of RFC 9309, and sitemaps of any kind, broken ones too. */
class SiteRulesTest {
    private static final String HOST = "https://client.example";
    private static final String NAMESPACE = "xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\"";

    private final Map<String, String> files = new HashMap<>();
    private final List<String> asked = new ArrayList<>();
    private final SiteRules rules = new SiteRules(this::answer);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "User-agent: *;Disallow: /                                    | false",
                "User-agent: *;Disallow:                                      | true",
                "User-agent: *;Disallow: /a;Allow: /a/b                       | true",
                "User-agent: *;Disallow: /;;User-agent: unciala;Disallow: /x  | true",
                "User-agent: unciala;Disallow: /a                             | false",
                "User-agent: other;Disallow: /                                | true",
                "User-agent: *;Disallow: /*/b$                                | false",
                "no rules at all                                              | true",
            })
    void aPageIsReadAsFarAsTheRulesLet(String robots, boolean allowed) {
        files.put("/robots.txt", robots.replace(";", "\n"));
        assertThat(rules.allows(HOST + "/a/b")).isEqualTo(allowed);
    }

    @Test
    void theRulesOfAHostAreAskedForOnceAndThoseOfEachPortApart() {
        files.put("/robots.txt", "User-agent: *\nDisallow: /a");
        assertThat(rules.allows(HOST + "/a")).isFalse();
        assertThat(rules.allows(HOST + "/b")).isTrue();
        assertThat(rules.allows(HOST + ":8443/a")).as("a host without a file").isTrue();
        assertThat(asked).containsExactly(HOST + "/robots.txt", HOST + ":8443/robots.txt");
    }

    @Test
    void sitemapsAreFoundByTheRulesOrUnderTheirUsualName() {
        files.put("/sitemap.xml", urlset("/usual"));
        assertThat(rules.sitemapPages(HOST)).containsExactly(HOST + "/usual");
        files.put("/robots.txt", "Sitemap: " + HOST + "/map.xml\nSitemap: " + HOST + "/list.txt");
        files.put("/map.xml", urlset("/a", "/b"));
        files.put("/list.txt", HOST + "/c\n" + HOST + "/d\n");
        assertThat(new SiteRules(this::answer).sitemapPages(HOST))
                .containsExactly(HOST + "/a", HOST + "/b", HOST + "/c", HOST + "/d");
    }

    @Test
    void anIndexLeadsToItsSitemapsAndACircleOfThemEnds() {
        files.put(
                "/sitemap.xml",
                "<sitemapindex " + NAMESPACE + "><sitemap><loc>" + HOST + "/one.xml</loc></sitemap><sitemap><loc>"
                        + HOST + "/sitemap.xml</loc></sitemap></sitemapindex>");
        files.put("/one.xml", urlset("/a"));
        assertThat(rules.sitemapPages(HOST)).contains(HOST + "/a");
        assertThat(asked).hasSizeLessThan(20);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "not xml",
                "<urlset><url><loc>",
                "<html><body>Sign in</body></html>",
                "<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\"><url><loc>nowhere</loc></url></urlset>",
                "<!DOCTYPE x [<!ENTITY a SYSTEM \"file:///etc/hostname\">]><urlset><url><loc>&a;</loc></url></urlset>",
            })
    void aSitemapThatCannotBeReadNamesNothing(String text) {
        files.put("/sitemap.xml", text);
        assertThat(rules.sitemapPages(HOST)).isEmpty();
    }

    @Test
    void aSitemapOfManyPagesIsCut() {
        String[] pages = new String[5_000];
        for (int i = 0; i < pages.length; i++) {
            pages[i] = "/p" + i;
        }
        files.put("/sitemap.xml", urlset(pages));
        assertThat(rules.sitemapPages(HOST)).hasSize(2_000);
    }

    private static String urlset(String... paths) {
        StringBuilder text = new StringBuilder("<urlset " + NAMESPACE + ">");
        for (String path : paths) {
            text.append("<url><loc>").append(HOST).append(path).append("</loc></url>");
        }
        return text + "</urlset>";
    }

    private Resource answer(String url, Use use) {
        assertThat(use).isEqualTo(Use.LIST);
        asked.add(url);
        String text = url.startsWith(HOST + "/") ? files.get(url.substring(HOST.length())) : null;
        String type = url.endsWith(".xml") ? "application/xml" : "text/plain";
        return new Resource(
                url,
                text == null ? 404 : 200,
                Map.of("content-type", type),
                text == null ? new byte[0] : text.getBytes(StandardCharsets.UTF_8),
                Optional.empty());
    }
}
