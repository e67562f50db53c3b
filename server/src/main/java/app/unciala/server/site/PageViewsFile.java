package app.unciala.server.site;

import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Batches;
import app.unciala.server.listing.CsvText;
import app.unciala.server.listing.CsvText.CsvLine;
import app.unciala.server.listing.ImportReport;
import app.unciala.server.listing.ImportReport.FileProblem;
import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Page views as CSV (RFC 4180): the site by its name or one of its domains, the month, and the number, such as
 * {@code northlight.example,2030-04,61300}. Nothing of a file with a problem is recorded.
 */
@Service
class PageViewsFile {
    private static final int MOST_LINES = 20_000;
    private static final int BATCH = 100;
    private static final long MOST_VIEWS = 1_000_000_000_000L;
    private static final String SITE = "site";
    private static final String MONTH = "month";
    private static final String PAGE_VIEWS = "page_views";
    private static final List<String> COLUMNS = List.of(SITE, MONTH, PAGE_VIEWS);

    private final PageViewsService pageViews;
    private final Batches batches;

    PageViewsFile(PageViewsService pageViews, Batches batches) {
        this.pageViews = pageViews;
        this.batches = batches;
    }

    private record Views(String siteId, YearMonth month, long views) {}

    /** Reads a file; records what it has if there is no problem and {@code record} says so. */
    ImportReport read(byte[] bytes, boolean record) {
        List<FileProblem> problems = new ArrayList<>();
        List<CsvLine> lines = CsvText.lines(CsvText.decoded(bytes), COLUMNS, COLUMNS, problems::add);
        if (lines.size() > MOST_LINES) {
            problems.add(new FileProblem("", "", "A file has at most 20,000 lines."));
        }
        List<Views> all = new ArrayList<>();
        if (problems.isEmpty()) {
            Set<String> said = new HashSet<>();
            Map<String, List<String>> sites = new HashMap<>();
            for (CsvLine line : lines) {
                Views views = views(line, sites, problems);
                if (views != null && !said.add(views.siteId() + " " + views.month())) {
                    problems.add(
                            new FileProblem(line.place(), MONTH, "This month of this site stands twice in the file."));
                }
                if (views != null) {
                    all.add(views);
                }
            }
        }
        if (!record || !problems.isEmpty()) {
            return new ImportReport(lines.size(), 0, problems);
        }
        // What is read of one site stands together, so that few batches compare it.
        all.sort(Comparator.comparing(Views::siteId).thenComparing(Views::month));
        Batches.Outcome outcome =
                batches.each(all, BATCH, views -> pageViews.record(views.siteId(), views.month(), views.views()));
        return ImportReport.of(lines.size(), outcome.done(), outcome.stopped());
    }

    private @Nullable Views views(CsvLine line, Map<String, List<String>> sites, List<FileProblem> problems) {
        int before = problems.size();
        String named = line.cells().getOrDefault(SITE, "");
        List<String> ids = sites.computeIfAbsent(named, pageViews::idsNamed);
        if (ids.size() != 1) {
            problems.add(new FileProblem(
                    line.place(),
                    SITE,
                    ids.isEmpty()
                            ? "No site is called “" + named + "”, and none has it among its domains."
                            : "Several sites are called “" + named + "”; write one of the site’s domains."));
        }
        YearMonth month = month(line, problems);
        Long views = number(line, problems);
        return problems.size() > before || month == null || views == null ? null : new Views(ids.get(0), month, views);
    }

    private @Nullable YearMonth month(CsvLine line, List<FileProblem> problems) {
        String text = line.cells().getOrDefault(MONTH, "");
        try {
            return pageViews.countable(YearMonth.parse(text));
        } catch (DateTimeException e) {
            problems.add(new FileProblem(line.place(), MONTH, "“" + text + "” is not a month such as 2030-04."));
        } catch (Fault fault) {
            problems.add(new FileProblem(line.place(), MONTH, fault.getMessage()));
        }
        return null;
    }

    private static @Nullable Long number(CsvLine line, List<FileProblem> problems) {
        String text = line.cells().getOrDefault(PAGE_VIEWS, "");
        try {
            long views = Long.parseLong(text);
            if (views >= 0 && views <= MOST_VIEWS) {
                return views;
            }
        } catch (NumberFormatException e) {
            // said below, like a number out of range
        }
        problems.add(new FileProblem(
                line.place(), PAGE_VIEWS, "“" + text + "” is not a whole number of page views, such as 61300."));
        return null;
    }
}
