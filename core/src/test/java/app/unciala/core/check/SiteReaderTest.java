package app.unciala.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import app.unciala.core.check.CheckDifference.PageSaid;
import app.unciala.core.check.CheckDifference.Told;
import app.unciala.core.check.CheckedPage.Seen;
import app.unciala.core.check.ThirdParties.ThirdParty;
import app.unciala.core.css.TextRole;
import app.unciala.core.fetch.Remembered;
import app.unciala.core.page.OwnHosts;
import app.unciala.core.page.PageContact;
import app.unciala.core.page.PageFinding.Kind;
import app.unciala.core.page.PageRequest;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Use;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sites that only answer what the test gives them. */
class SiteReaderTest {
    private static final String START = "https://client.example/";

    private final Map<String, String> web = new LinkedHashMap<>();
    private final List<String> asked = new ArrayList<>();
    private final List<CheckedPage> pages = new ArrayList<>();
    private final Set<String> fonts = new HashSet<>();
    private final Set<String> pdfs = new HashSet<>();
    private int stopAfter = Integer.MAX_VALUE;

    @Test
    void pagesAreFoundByLinksOnTheSitesOwnHostsOnly() {
        web.put("", """
                <a href="b#part">B</a> <a href="/b">B again</a> <a href="https://shop.client.example/">Shop</a>
                <a href="https://other.example/">Other</a> <a href="paper.PDF">Paper</a> <a href="mailto:a@b.example">Mail</a>
                <a href="javascript:void(0)">Script</a> <a href="http://[">Broken</a> <a>None</a>""");
        web.put("b", "<a href='c'>C</a>");
        web.put("c", "");
        web.put("https://shop.client.example/", "<title> The shop </title>");
        read(plan(true, 20));
        assertThat(pages)
                .extracting(CheckedPage::url)
                .containsExactly(START, START + "b", "https://shop.client.example/", START + "c");
        assertThat(pages.get(2).laptop().title()).isEqualTo("The shop");
        assertThat(asked.stream().filter((START + "b")::equals))
                .as("one page for both windows")
                .hasSize(1);
    }

    @Test
    void whatRobotsMayNotReadIsReadOnlyWhenItIsNamed() {
        web.put("robots.txt", "User-agent: *\nDisallow: /inside\nSitemap: https://client.example/map.xml");
        web.put(
                "map.xml",
                "<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\"><url><loc>https://client.example/far</loc>"
                        + "</url><url><loc>https://client.example/inside/a</loc></url></urlset>");
        web.put("", "<a href='inside/b'>B</a>");
        web.put("far", "");
        web.put("inside/named", "");
        read(new SitePlan(List.of(START, START + "inside/named"), Set.of("client.example"), Set.of(), true, 20));
        assertThat(pages).extracting(CheckedPage::url).containsExactly(START, START + "inside/named", START + "far");
    }

    @Test
    void itEndsAtSoManyPagesOrWhenItIsStopped() {
        for (int i = 0; i < 500; i++) {
            web.put(i == 0 ? "" : "p" + i, "<a href='p" + (i + 1) + "'>on</a> <a href='p" + (i + 2) + "'>on</a>");
        }
        read(plan(true, 7));
        assertThat(pages).hasSize(7);
        pages.clear();
        stopAfter = 3;
        read(plan(true, 7));
        assertThat(pages).hasSize(3);
    }

    @Test
    void withoutFollowingOnlyWhatIsNamedIsAskedFor() {
        web.put("", "<a href='b'>B</a>");
        read(plan(false, 20));
        assertThat(asked).containsExactly(START);
    }

    @Test
    void aPageThatCannotBeReadIsTold() {
        read(plan(true, 20));
        assertThat(pages.get(0).laptop().isRead()).isFalse();
        assertThat(pages.get(0).findings())
                .extracting(seen -> seen.finding().kind())
                .containsExactly(Kind.UNREACHABLE);
    }

    @Test
    void aHostThatNeverAnswersIsNotAskedForAllItsPages() {
        List<String> named = IntStream.range(0, 10)
                .mapToObj(page -> "https://silent.example/" + page)
                .toList();
        read(new SitePlan(
                Stream.concat(named.stream(), Stream.of(START)).toList(),
                Set.of("client.example"),
                Set.of(),
                false,
                20));
        assertThat(asked.stream().filter(url -> url.contains("silent"))).hasSize(3);
        assertThat(asked).as("another host is").contains(START);
    }

    @Test
    void pagesThatAreKnownOtherwiseAreNotFetched() {
        web.put("", "<a href=board>Board</a> <a href=b>B</a>");
        web.put("b", "");
        web.put("board", "");
        read(new SitePlan(
                List.of(START, START + "named"),
                Set.of("client.example"),
                Set.of(START + "board", START + "named"),
                true,
                20));
        assertThat(pages).extracting(CheckedPage::url).containsExactly(START, START + "b");
        assertThat(asked).doesNotContain(START + "board", START + "named");
    }

    @Test
    void whatIsWrongOnAPhoneOnlyIsSaidAsThat() {
        web.put("", """
                <!doctype html><style>p { font-family: Gone, serif }
                @media (max-width: 600px) { h2 { font-family: Away } }</style><h2>Title</h2><p>Text""");
        read(plan(false, 1));
        assertThat(pages.get(0).findings())
                .extracting(seen -> seen.finding().kind(), Seen::onPhoneOnly)
                .containsExactly(
                        tuple(Kind.UNDECLARED_FAMILY, false),
                        tuple(Kind.UNDECLARED_FAMILY, true),
                        tuple(Kind.NO_GENERIC, true));
    }

    @Test
    void oneCauseIsToldOnceThoughThePhoneShowsFewerTextsOfIt() {
        web.put("", """
                <!doctype html><style>p { font-family: Gone, serif }
                @media (max-width: 600px) { .wide { display: none } }</style><p>One<p class=wide>Two<p class=wide>Three""");
        read(plan(false, 1));
        assertThat(pages.get(0).findings()).singleElement().satisfies(seen -> {
            assertThat(seen.onPhoneOnly()).isFalse();
            assertThat(seen.finding().message()).endsWith("So are 2 other texts.");
            assertThat(seen.finding().cause()).doesNotContain("other text");
        });
    }

    @Test
    void aFaceIsNotUsedOnlyIfNeitherWindowUsesIt() {
        web.put("", """
                <!doctype html><style>@font-face { font-family: Wide; src: url(a.ttf) }
                @font-face { font-family: Narrow; src: url(b.ttf) } @font-face { font-family: None; src: url(c.ttf) }
                p { font-family: Wide, serif } @media (max-width: 600px) { p { font-family: Narrow, serif } }
                </style><p>Text""");
        fonts.addAll(List.of("a.ttf", "b.ttf", "c.ttf"));
        read(plan(false, 1));
        assertThat(pages.get(0).findings())
                .filteredOn(seen -> seen.finding().kind() == Kind.UNUSED_FACE)
                .singleElement()
                .satisfies(seen -> assertThat(seen.finding().message()).startsWith("None Regular"));
    }

    @Test
    void nothingIsUnusedOnAPageWhoseTextComesFromScripts() {
        web.put("", """
                <!doctype html><link rel=preload as=font href=a.ttf crossorigin>
                <style>@font-face { font-family: A; src: url(a.ttf) }</style><div id=app></div><script src=app.js></script>""");
        read(plan(false, 1));
        assertThat(pages.get(0).laptop().runs()).isEmpty();
        assertThat(pages.get(0).findings()).isEmpty();
    }

    @Test
    void aPageIsNamedByItsAddressAlsoAfterAHostThatIsSilent() {
        web.put("", "<a href='paper'>Paper</a>");
        web.put("paper", "");
        List<String> named = IntStream.range(0, 5)
                .mapToObj(page -> "https://silent.example/" + page)
                .toList();
        pdfs.add(START + "paper");
        read(new SitePlan(
                Stream.concat(named.stream(), Stream.of(START)).toList(),
                Set.of("client.example"),
                Set.of(),
                true,
                20));
        assertThat(pages)
                .as("what a link led to is no page")
                .extracting(CheckedPage::url)
                .doesNotContain(START + "paper")
                .contains(START);
    }

    @Test
    void hostsOfOthersAreToldWithWhatComesFromThem() {
        List<ThirdParty> others = ThirdParties.of(
                List.of(
                        request("https://cdn.client.example/a.css", Use.STYLE_SHEET),
                        request("https://client-fonts.example/a.woff2", Use.FONT),
                        request("https://letters.example/b.css", Use.STYLE_SHEET),
                        request("https://letters.example/a.woff2", Use.FONT),
                        request("https://letters.example/a.woff2", Use.FONT)),
                List.of(
                        new PageContact("https://letters.example", PageContact.Kind.PRECONNECT),
                        new PageContact("https://counter.example", PageContact.Kind.DNS_PREFETCH),
                        new PageContact("https://store.example/a/fonts.js", PageContact.Kind.SCRIPT)),
                host -> new OwnHosts(Set.of("store.example"))
                        .isThirdParty(host, List.of("www.client.example", "client-fonts.example")));
        assertThat(others)
                .as("the site's own file store is no third party")
                .containsExactly(
                        new ThirdParty(
                                "counter.example",
                                List.of(),
                                List.of(),
                                List.of("https://counter.example"),
                                List.of(),
                                0),
                        new ThirdParty(
                                "letters.example",
                                List.of("https://letters.example/b.css"),
                                List.of("https://letters.example/a.woff2"),
                                List.of("https://letters.example"),
                                List.of(),
                                0));
    }

    @Test
    void aDifferenceSaysWhatAppearedAndWhatIsGone() {
        PageSaid kept = said("a", "kept");
        PageSaid gone = said("a", "gone");
        PageSaid unread = said("b", "unread");
        PageSaid fresh = said("c", "new");
        CheckDifference difference = CheckDifference.between(
                told(Set.of("a", "b"), kept, gone, unread), told(Set.of("a", "c"), kept, fresh));
        assertThat(difference.appeared()).containsExactly(fresh);
        assertThat(difference.gone()).as("a page not read says nothing").containsExactly(gone);
        assertThat(difference.newPages()).containsExactly("c");
        assertThat(difference.pagesNotRead()).containsExactly("b");
        assertThat(CheckDifference.between(told(Set.of("a"), kept), told(Set.of("a"), kept))
                        .isEmpty())
                .isTrue();
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "none",
            value = {
                "html > body > h1, PAGE_TITLE",
                "html > body > h2.big:nth-of-type(2) > b, HEADINGS_2",
                "html > body > main > h5, HEADINGS_4",
                "html > body > nav > ul > li:nth-of-type(1) > a, RUNNING_TEXT",
                "html > body > p > code, CODE",
                "html > body > form > input::placeholder, BUTTONS",
                "html > body > div#main, none",
            })
    void theRoleOfATextIsThatOfItsInnermostElement(String path, TextRole role) {
        assertThat(UsedRoles.roleOf(path)).isEqualTo(Optional.ofNullable(role));
    }

    private static PageSaid said(String page, String message) {
        return new PageSaid(page, "faked-bold", "error", message);
    }

    private static Told told(Set<String> pages, PageSaid... said) {
        return new Told(new LinkedHashSet<>(pages), List.of(said));
    }

    private static PageRequest request(String url, Use use) {
        return new PageRequest(url, use, 200, 10, "");
    }

    private SitePlan plan(boolean follows, int most) {
        return new SitePlan(List.of(START), Set.of("client.example", "shop.client.example"), Set.of(), follows, most);
    }

    private void read(SitePlan plan) {
        SiteReader.read(plan, new Remembered(this::answer), new SiteReader.Listener() {
            @Override
            public boolean reading(String url, int read, int known) {
                assertThat(known).isBetween(read + 1, plan.most());
                return read < stopAfter;
            }

            @Override
            public void page(CheckedPage page) {
                pages.add(page);
            }
        });
    }

    private static byte[] font() {
        try {
            return Files.readAllBytes(Path.of("/usr/share/fonts/truetype/lato/Lato-Regular.ttf"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Resources.Resource answer(String url, Use use) {
        asked.add(url);
        if (url.contains("silent")) {
            return Resources.Resource.failed(url, "the server does not answer in time");
        }
        if (use == Use.FONT && fonts.contains(url.substring(START.length()))) {
            return new Resources.Resource(url, 200, Map.of("content-type", "font/ttf"), font(), Optional.empty());
        }
        String text = web.get(url.startsWith(START) ? url.substring(START.length()) : url);
        return text == null
                ? new Resources.Resource(url, 404, Map.of(), new byte[0], Optional.empty())
                : new Resources.Resource(
                        url,
                        200,
                        Map.of(
                                "content-type",
                                pdfs.contains(url)
                                        ? "application/pdf"
                                        : url.endsWith(".xml")
                                                ? "application/xml"
                                                : use == Use.LIST ? "text/plain" : "text/html"),
                        text.getBytes(StandardCharsets.UTF_8),
                        Optional.empty());
    }
}
