package app.unciala.core.check;

import app.unciala.core.page.AskedRole;
import app.unciala.core.page.BrowserReading;
import app.unciala.core.page.OwnHosts;
import app.unciala.core.page.PageContact;
import app.unciala.core.page.PageFinding;
import app.unciala.core.page.PageFinding.Kind;
import app.unciala.core.page.PageFont;
import app.unciala.core.page.PageReader;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.PageRequest;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.RolesOnPage.OfRole;
import app.unciala.core.page.Run;
import app.unciala.core.page.TriedSheet;
import app.unciala.font.budget.Budget;
import app.unciala.font.budget.BudgetSpentException;
import com.google.common.collect.Sets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/**
 * A page as it is seen on a laptop and on a phone.
 *
 * @param roles how its text roles are shown on a laptop
 * @param rolesOnPhone the same on a phone
 * @param tried the page on a laptop as a pack would make it, where one is tried
 */
public record CheckedPage(
        PageReading laptop,
        PageReading phone,
        List<OfRole> roles,
        List<OfRole> rolesOnPhone,
        Optional<TriedPack> tried) {
    private static final int SECONDS = 30;

    /** A page whose text roles were not looked for. */
    public CheckedPage(PageReading laptop, PageReading phone) {
        this(laptop, phone, List.of(), List.of(), Optional.empty());
    }

    /**
     * A page as some work finds it; one that takes more than {@value #SECONDS} s of processor time is told as one that
     * couldn't be read.
     *
     * @throws BudgetSpentException if the check was stopped
     */
    static CheckedPage within(String url, Supplier<CheckedPage> work) {
        try {
            return Budget.within(Duration.ofSeconds(SECONDS), work);
        } catch (BudgetSpentException e) {
            if (e.isStopped()) {
                throw e;
            }
            PageReading none = PageReading.failed(
                    url,
                    Resource.failed(
                            url,
                            "working out its styles takes too long (" + e.getMessage()
                                    + "); simplify its style sheets"));
            return new CheckedPage(none, none);
        }
    }

    /**
     * A page that somebody's own browser read, in the one window that it was seen in.
     *
     * @throws BudgetSpentException if the check was stopped
     */
    public static CheckedPage seen(
            BrowserReading reading, Resources web, OwnHosts own, List<AskedRole> asked, Optional<TriedSheet> sheet) {
        return within(reading.page(), () -> read(reading, web, own, asked, sheet));
    }

    private static CheckedPage read(
            BrowserReading reading, Resources web, OwnHosts own, List<AskedRole> asked, Optional<TriedSheet> sheet) {
        PageReader reader = reading.reader(web, own);
        PageReading seen = reader.read(reading);
        List<OfRole> roles = reader.roles(seen, asked);
        return new CheckedPage(
                seen, seen, roles, List.of(), sheet.map(tried -> TriedPack.on(seen, tried, reader, asked)));
    }

    /** The texts of the page in the order of {@link #laptop}, as a tried pack would show them; nothing where none is tried. */
    public Optional<List<Run>> triedRuns() {
        return tried.map(pack -> pack.reading().runs())
                .filter(runs -> runs.size() == laptop.runs().size());
    }

    public String url() {
        return laptop.url();
    }

    /** A finding, and whether it is true on a phone only. */
    public record Seen(PageFinding finding, boolean onPhoneOnly) {}

    /** What is wrong on a laptop, the graver first, and then what is wrong on a phone only. */
    public List<Seen> findings() {
        Set<String> onLaptop = causes(laptop);
        Set<String> onPhone = causes(phone);
        List<Seen> findings = new ArrayList<>();
        laptop.findings().stream()
                .filter(finding -> !isOfBothWindows(finding) || onPhone.contains(cause(finding)))
                .forEach(finding -> findings.add(new Seen(finding, false)));
        phone.findings().stream()
                .filter(finding -> !isOfBothWindows(finding) && !onLaptop.contains(cause(finding)))
                .forEach(finding -> findings.add(new Seen(finding, true)));
        return findings;
    }

    private static Set<String> causes(PageReading reading) {
        return reading.findings().stream().map(CheckedPage::cause).collect(Collectors.toSet());
    }

    /** Findings of one cause are one, though other texts share it in the other window. */
    private static String cause(PageFinding finding) {
        return finding.kind() + " " + finding.cause();
    }

    /** What one window does not use may be what the other needs. */
    private static boolean isOfBothWindows(PageFinding finding) {
        return finding.kind() == Kind.UNUSED_FACE || finding.kind() == Kind.UNUSED_PRELOAD;
    }

    /** What either asks for, each address once. */
    public List<PageRequest> requests() {
        Map<String, PageRequest> byUrl = new LinkedHashMap<>();
        laptop.requests().forEach(request -> byUrl.putIfAbsent(request.url(), request));
        phone.requests().forEach(request -> byUrl.putIfAbsent(request.url(), request));
        return List.copyOf(byUrl.values());
    }

    /** Hosts that either gets in touch with by links and scripts. */
    public Set<PageContact> contacts() {
        return Sets.union(Set.copyOf(laptop.contacts()), Set.copyOf(phone.contacts()));
    }

    /** The fonts that either can use, each address once. */
    public List<PageFont> fonts() {
        Map<String, PageFont> byUrl = new LinkedHashMap<>();
        laptop.fonts().forEach(font -> byUrl.putIfAbsent(font.url(), font));
        phone.fonts().forEach(font -> byUrl.putIfAbsent(font.url(), font));
        return List.copyOf(byUrl.values());
    }
}
