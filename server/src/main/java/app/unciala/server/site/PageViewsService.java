package app.unciala.server.site;

import app.unciala.core.domain.DomainName;
import app.unciala.core.license.PageViews.Reading;
import app.unciala.core.sentence.Sentences;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.Readings;
import java.time.Clock;
import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The page views that were read of sites, month by month. */
@Service
public class PageViewsService {
    private static final YearMonth FIRST = YearMonth.of(2000, 1);

    private final SiteRepository sites;
    private final Links links;
    private final Readings readings;
    private final HistoryService history;
    private final Changes changes;
    private final Clock clock;

    PageViewsService(
            SiteRepository sites,
            Links links,
            Readings readings,
            HistoryService history,
            Changes changes,
            Clock clock) {
        this.sites = sites;
        this.links = links;
        this.readings = readings;
        this.history = history;
        this.changes = changes;
        this.clock = clock;
    }

    /** What was read of a site, the latest month first. */
    @Transactional(readOnly = true)
    public List<Reading> of(String siteId) {
        return readings.ofSite(find(siteId).id());
    }

    /** Records how many pages were viewed in a month; nothing takes back what was recorded. */
    @Transactional
    public List<Reading> record(String siteId, YearMonth month, @Nullable Long views) {
        changes.begin();
        SiteEntity site = find(siteId);
        readings.write(siteId, countable(month), views);
        history.record(Deed.of(
                "site",
                siteId,
                site.name(),
                "Recorded " + (views == null ? "no" : Sentences.number(views)) + " page views of “" + site.name()
                        + "” in " + Sentences.month(month)));
        changes.touched(links.scopeOfSite(siteId, site.familyIds()));
        return readings.ofSite(siteId);
    }

    /** The month, which is refused when no page views of it can be known. */
    YearMonth countable(YearMonth month) {
        if (month.isAfter(YearMonth.now(clock))) {
            throw Fault.invalid("month", "This month hasn’t begun yet.");
        }
        if (month.isBefore(FIRST)) {
            throw Fault.invalid("month", "Months are those since January 2000.");
        }
        return month;
    }

    /** The ids of the sites that have a name, or a domain of that name; several when the name is not theirs alone. */
    @Transactional(readOnly = true)
    List<String> idsNamed(String name) {
        String domain = ascii(name);
        return Stream.of(name.strip().toLowerCase(Locale.ROOT), domain)
                .filter(words -> !words.isEmpty())
                .flatMap(words -> sites.findBySearchTextContaining(words).stream())
                .filter(site -> site.name().equalsIgnoreCase(name.strip())
                        || site.details().domains().contains(domain))
                .map(SiteEntity::id)
                .distinct()
                .toList();
    }

    private static String ascii(String name) {
        try {
            return DomainName.parse(name).ascii();
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    private SiteEntity find(String id) {
        return sites.findById(id).orElseThrow(() -> Fault.notFound("site", id));
    }
}
