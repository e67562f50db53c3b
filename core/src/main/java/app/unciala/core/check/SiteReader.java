package app.unciala.core.check;

import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.page.Addresses;
import app.unciala.core.page.PageReader;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import app.unciala.core.page.RolesOnPage.OfRole;
import app.unciala.font.budget.BudgetSpentException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads the pages of a site, one after another: those named, then those that its sitemaps and the links of its pages
 * lead to. What is found so is read only if {@code robots.txt} (RFC 9309) allows it.
 */
public final class SiteReader {
    /** Addresses of files that are no pages by their names. */
    private static final Pattern FILE = Pattern.compile(
            ".*\\.(?:7z|avif|avi|css|csv|docx?|eot|epub|exe|gif|gz|ico|ics|jpe?g|js|json|mp3|mp4|ods|odt|ogg|otf|pdf|png"
                    + "|pptx?|rss|svg|tar|tiff?|ttf|txt|wav|webm|webp|woff2?|xlsx?|xml|zip)",
            Pattern.CASE_INSENSITIVE);

    /** After so many pages without any answer, a host is not asked for others. */
    private static final int MOST_UNANSWERED = 3;

    private final SitePlan plan;
    private final Listener listener;
    private final LatestPage resources;
    private final PageReader laptop;
    private final PageReader phone;
    private final SiteRules rules;
    private final Deque<String> waiting = new ArrayDeque<>();
    private final Set<String> known = new HashSet<>();
    private final Map<String, Integer> unanswered = new HashMap<>();
    private int read;

    private SiteReader(SitePlan plan, Resources web, Listener listener) {
        this.plan = plan;
        this.listener = listener;
        resources = new LatestPage(web);
        laptop = new PageReader(resources, Viewport.LAPTOP, plan.own());
        phone = new PageReader(resources, Viewport.PHONE, plan.own());
        rules = new SiteRules(resources);
    }

    /** Is told what happens, and may stop it. */
    public interface Listener {
        /** Before a page is read; false stops the check. */
        boolean reading(String url, int read, int known);

        void page(CheckedPage page);
    }

    /**
     * Reads a site; what was read until the listener stopped it has been told.
     *
     * @param web is asked for a style sheet or a font by every page that needs it, and so should remember them
     */
    public static void read(SitePlan plan, Resources web, Listener listener) {
        new SiteReader(plan, web, listener).run();
    }

    private void run() {
        known.addAll(plan.elsewhere());
        plan.addresses().forEach(this::add);
        if (plan.follows()) {
            plan.addresses().stream()
                    .map(Addresses::origin)
                    .distinct()
                    .flatMap(origin -> rules.sitemapPages(origin).stream())
                    .forEach(this::found);
        }
        while (!waiting.isEmpty() && read < plan.most()) {
            String url = waiting.remove();
            String origin = Addresses.origin(url);
            if (unanswered.getOrDefault(origin, 0) >= MOST_UNANSWERED) {
                continue;
            }
            if (!listener.reading(url, read, Math.min(plan.most(), read + 1 + waiting.size()))) {
                return;
            }
            CheckedPage page;
            try {
                page = CheckedPage.within(url, () -> checked(url));
            } catch (BudgetSpentException stopped) {
                return;
            }
            if (!page.laptop().isAnswered()) {
                unanswered.merge(origin, 1, Integer::sum);
            }
            if (plan.addresses().contains(url) || isPage(page.laptop())) {
                listener.page(page);
                read++;
            }
            if (plan.follows()) {
                page.laptop().links().forEach(this::found);
            }
        }
    }

    private CheckedPage checked(String url) {
        PageReading asSeen = laptop.read(url);
        if (!plan.addresses().contains(url) && !isPage(asSeen)) {
            return new CheckedPage(asSeen, asSeen);
        }
        // A reader tells the roles of the page that it read last.
        List<OfRole> roles = laptop.roles(asSeen, plan.roles());
        Optional<TriedPack> tried = plan.tried()
                .filter(any -> asSeen.isRead())
                .map(sheet -> TriedPack.on(asSeen, sheet, laptop, plan.roles()));
        PageReading onPhone = phone.read(url);
        return new CheckedPage(asSeen, onPhone, roles, phone.roles(onPhone, plan.roles()), tried);
    }

    private void add(String url) {
        if (known.add(url)) {
            waiting.add(url);
        }
    }

    private void found(String url) {
        if (known.size() < plan.most() * 10 && isOwnPage(url) && !known.contains(url) && rules.allows(url)) {
            add(url);
        }
    }

    private boolean isOwnPage(String url) {
        return url.matches("(?i)https?:.*")
                && plan.hosts().contains(Addresses.host(url))
                && !FILE.matcher(Addresses.fileName(url)).matches();
    }

    /** Whether what a link led to is a page; one that cannot be read is told of. */
    private static boolean isPage(PageReading reading) {
        return !reading.isRead()
                || List.of("", "text/html", "application/xhtml+xml").contains(reading.mediaType());
    }

    /** Keeps the last page, which is asked for once for each window. */
    private static final class LatestPage implements Resources {
        private final Resources resources;
        private String url = "";
        private @Nullable Resource answer;

        private LatestPage(Resources resources) {
            this.resources = resources;
        }

        @Override
        public Resource get(String asked, Use use) {
            if (use != Use.PAGE) {
                return resources.get(asked, use);
            }
            if (answer == null || !asked.equals(url)) {
                url = asked;
                answer = resources.get(asked, use);
            }
            return answer;
        }
    }
}
