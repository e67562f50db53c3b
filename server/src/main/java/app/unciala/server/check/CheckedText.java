package app.unciala.server.check;

import app.unciala.core.check.CheckedPage;
import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.Rule;
import app.unciala.core.css.cascade.Winners;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.Run;
import app.unciala.core.page.Run.Given;
import app.unciala.server.inventory.Texts;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The text of a page with what visitors get, and what is wrong.
 *
 * @param runs in the order of the page, as on a laptop; the first 1,500
 * @param allRuns how many there are
 * @param browser by whom it was read in a browser; null if the server read it
 */
public record CheckedText(
        String url,
        String title,
        List<RunView> runs,
        int allRuns,
        List<PageNote> notes,
        @Schema(types = {"object", "null"}) @Nullable ReadInBrowser browser) {
    static final CheckedText NONE = empty("", null);
    private static final int MOST_RUNS = 1_500;
    static final int LONGEST = 600;

    /**
     * Who read a page in their own browser.
     *
     * @param textKept whether its texts are whole; otherwise each is its characters only
     */
    public record ReadInBrowser(String by, Instant at, boolean textKept) {}

    /**
     * A text.
     *
     * @param path a selector that matches its element alone
     * @param family the families asked for
     * @param size in CSS pixels
     * @param given what paints it, the face of most of its characters first
     * @param rule what decided on the family; null when no rule did
     * @param winners the declarations that decide; null in checks that were kept before they were told
     * @param after what a pack would change of it that is not deployed yet; null where it would not
     */
    public record RunView(
            String text,
            String path,
            List<String> family,
            double weight,
            String slope,
            double width,
            double size,
            List<GivenView> given,
            @Schema(types = {"object", "null"}) @Nullable RuleView rule,
            @Schema(types = {"object", "null"}) @Nullable WinnersView winners,
            @Schema(types = {"object", "null"}) @Nullable AfterView after) {}

    /** A text as a pack would show it that is not deployed yet. */
    public record AfterView(double weight, String slope, double size, List<GivenView> given) {}

    /** What decides on each property of a text; null where no declaration speaks of it. */
    public record WinnersView(
            @Schema(types = {"object", "null"}) @Nullable WinningRule family,
            @Schema(types = {"object", "null"}) @Nullable WinningRule weight,
            @Schema(types = {"object", "null"}) @Nullable WinningRule slope,
            @Schema(types = {"object", "null"}) @Nullable WinningRule size) {
        static WinnersView of(Winners winners) {
            return new WinnersView(
                    winners.family().map(WinningRule::of).orElse(null),
                    winners.weight().map(WinningRule::of).orElse(null),
                    winners.slope().map(WinningRule::of).orElse(null),
                    winners.size().map(WinningRule::of).orElse(null));
        }
    }

    /**
     * What paints a text, or some characters of it.
     *
     * @param url the file; null for a face of the system
     * @param sha256 of the file; null for a face of the system
     * @param synthesized what browsers fake: {@code bold}, {@code oblique}
     */
    public record GivenView(
            String family,
            double weight,
            String slope,
            @Schema(types = {"string", "null"}) @Nullable String url,
            @Schema(types = {"string", "null"}) @Nullable String sha256,
            List<String> synthesized,
            String characters) {}

    /** A rule of a style sheet or of the page. */
    public record RuleView(String url, int line, String selector) {}

    /**
     * One thing that is wrong on a page.
     *
     * @param page its address
     * @param severity {@code error}, {@code warning} or {@code note}
     * @param cause what is wrong, which is the same however many texts share it
     * @param text the first text concerned; null if it is about none
     * @param onPhoneOnly whether it is so in a narrow window only
     */
    public record PageNote(
            String page,
            String kind,
            String severity,
            String message,
            String cause,
            @Schema(types = {"string", "null"}) @Nullable String text,
            @Schema(types = {"string", "null"}) @Nullable String path,
            @Schema(types = {"string", "null"}) @Nullable String fix,
            boolean onPhoneOnly) {}

    /** {@code digests} are those of the page's fonts, by address. */
    static CheckedText of(CheckedPage page, Map<String, String> digests, @Nullable ReadInBrowser browser) {
        PageReading laptop = page.laptop();
        return new CheckedText(
                page.url(), laptop.title(), views(page, digests), laptop.runs().size(), notes(page), browser);
    }

    private static List<RunView> views(CheckedPage page, Map<String, String> digests) {
        List<Run> runs = page.laptop().runs();
        Optional<List<Run>> tried = page.triedRuns();
        return IntStream.range(0, Math.min(MOST_RUNS, runs.size()))
                .mapToObj(i -> view(
                        runs.get(i),
                        tried.map(all -> all.get(i)).filter(after -> changes(runs.get(i), after)),
                        digests))
                .toList();
    }

    /** How many texts of a page a tried pack would show in something else. */
    static int changedBy(CheckedPage page) {
        List<Run> runs = page.laptop().runs();
        return page.triedRuns()
                .map(tried -> (int) IntStream.range(0, runs.size())
                        .filter(i -> changes(runs.get(i), tried.get(i)))
                        .count())
                .orElse(0);
    }

    private static boolean changes(Run before, Run after) {
        return !isSame(before.main(), after.main())
                || Math.abs(before.style().usedSize() - after.style().usedSize()) > 0.05;
    }

    /** The same face, though it may come from another address. */
    private static boolean isSame(Given before, Given after) {
        return before.family().equalsIgnoreCase(after.family())
                && before.weight() == after.weight()
                && before.slope() == after.slope()
                && before.isSystem() == after.isSystem()
                && before.synthesized().equals(after.synthesized());
    }

    /** A page of which nothing is known. */
    static CheckedText empty(String url, @Nullable ReadInBrowser browser) {
        return new CheckedText(url, "", List.of(), 0, List.of(), browser);
    }

    private static List<PageNote> notes(CheckedPage page) {
        return page.findings().stream()
                .map(seen -> new PageNote(
                        page.url(),
                        seen.finding().kind().key(),
                        seen.finding().kind().severity().key(),
                        seen.finding().message(),
                        seen.finding().cause(),
                        seen.finding()
                                .text()
                                .map(text -> Texts.cut(text, LONGEST))
                                .orElse(null),
                        seen.finding().path().orElse(null),
                        seen.finding().fix().orElse(null),
                        seen.onPhoneOnly()))
                .toList();
    }

    private static RunView view(Run run, Optional<Run> tried, Map<String, String> digests) {
        return new RunView(
                Texts.cut(run.text(), LONGEST),
                run.path(),
                run.style().families().stream().map(FamilyName::name).toList(),
                run.style().weight(),
                run.style().slope().key(),
                run.style().width(),
                run.style().usedSize(),
                run.given().stream().map(given -> view(given, digests)).toList(),
                run.style().familyRule().map(CheckedText::view).orElse(null),
                WinnersView.of(run.style().winners()),
                tried.map(after -> after(after, digests)).orElse(null));
    }

    private static AfterView after(Run run, Map<String, String> digests) {
        return new AfterView(
                run.style().weight(),
                run.style().slope().key(),
                run.style().usedSize(),
                run.given().stream().map(given -> view(given, digests)).toList());
    }

    private static GivenView view(Given given, Map<String, String> digests) {
        return new GivenView(
                given.family(),
                given.weight(),
                given.slope().key(),
                given.url().orElse(null),
                given.url().map(digests::get).orElse(null),
                given.synthesized(),
                given.characters());
    }

    private static RuleView view(Rule rule) {
        return new RuleView(rule.url(), rule.line(), rule.selector());
    }
}
