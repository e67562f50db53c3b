package app.unciala.core.check;

import app.unciala.core.page.Addresses;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import crawlercommons.robots.SimpleRobotRules;
import crawlercommons.robots.SimpleRobotRules.RobotRulesMode;
import crawlercommons.robots.SimpleRobotRulesParser;
import crawlercommons.sitemaps.AbstractSiteMap;
import crawlercommons.sitemaps.SiteMap;
import crawlercommons.sitemaps.SiteMapIndex;
import crawlercommons.sitemaps.SiteMapParser;
import crawlercommons.sitemaps.UnknownFormatException;
import java.io.IOException;
import java.net.URI;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What sites say of their own pages: {@code robots.txt} and sitemaps. */
final class SiteRules {
    private static final String AGENT = "unciala";
    private static final int MOST_SITEMAPS = 10;
    private static final int MOST_PAGES = 2_000;

    private final Resources resources;
    private final Map<String, SimpleRobotRules> rules = new HashMap<>();

    SiteRules(Resources resources) {
        this.resources = resources;
    }

    boolean allows(String url) {
        return of(Addresses.origin(url)).isAllowed(url);
    }

    /** A host without such a file allows everything, and so does one whose file cannot be fetched now. */
    private SimpleRobotRules of(String start) {
        return rules.computeIfAbsent(start, any -> {
            Resource answer = resources.get(start + "/robots.txt", Use.LIST);
            return answer.isFound()
                    ? new SimpleRobotRulesParser()
                            .parseContent(start + "/robots.txt", answer.bytes(), answer.mediaType(), List.of(AGENT))
                    : new SimpleRobotRules(RobotRulesMode.ALLOW_ALL);
        });
    }

    /** The pages that the sitemaps of a site name, or none when it has none that can be read. */
    List<String> sitemapPages(String start) {
        List<String> sitemaps = new ArrayList<>(of(start).getSitemaps());
        if (sitemaps.isEmpty()) {
            sitemaps.add(start + "/sitemap.xml");
        }
        List<String> pages = new ArrayList<>();
        for (int i = 0; i < sitemaps.size() && i < MOST_SITEMAPS && pages.size() < MOST_PAGES; i++) {
            read(sitemaps.get(i), sitemaps, pages);
        }
        return pages.subList(0, Math.min(pages.size(), MOST_PAGES));
    }

    private void read(String url, List<String> sitemaps, List<String> pages) {
        Resource answer = resources.get(url, Use.LIST);
        if (!answer.isFound()) {
            return;
        }
        try {
            AbstractSiteMap map = new SiteMapParser(false)
                    .parseSiteMap(answer.bytes(), URI.create(answer.url()).toURL());
            if (map instanceof SiteMapIndex index) {
                index.getSitemaps().forEach(one -> sitemaps.add(one.getUrl().toString()));
            } else if (map instanceof SiteMap one) {
                one.getSiteMapUrls().forEach(page -> pages.add(page.getUrl().toString()));
            }
        } catch (IOException | UnknownFormatException | IllegalArgumentException e) {
            // A sitemap that cannot be read names no pages; the links of the pages are followed all the same.
        }
    }
}
