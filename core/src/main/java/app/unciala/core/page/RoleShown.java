package app.unciala.core.page;

import app.unciala.core.css.cascade.Winner;
import app.unciala.core.page.Run.Given;
import app.unciala.font.face.Slope;
import java.util.List;
import java.util.Optional;

/**
 * Texts of one role on one page that are shown alike, for the same reason.
 *
 * @param given the face that shows most of the first of them
 * @param texts how many there are
 * @param text the first of them
 * @param path where that one is, as a selector
 * @param page the address of the page
 * @param asAsked whether they are shown as the role asks
 * @param measures the size, line height and spacings that are not as the role says
 * @param winner the declaration that decides otherwise; nothing for texts that are as asked, and where only the initial
 *     value does
 * @param why what keeps them from being shown as asked, in a sentence; empty for texts that are, and where there is CSS
 *     that does it
 * @param override CSS that shows them as asked when it is added at the end of the page's last style sheet, proven by
 *     working out the page again with it; nothing where CSS alone can't
 * @param overrideAnywhere CSS that does the same wherever it stands, such as in a style sheet before that of a theme; nothing
 *     where there is none
 * @param onPhoneOnly whether it is so in a narrow window only
 */
public record RoleShown(
        Given given,
        int texts,
        String text,
        String path,
        String page,
        boolean asAsked,
        List<OtherMeasure> measures,
        Optional<Winner> winner,
        String why,
        Optional<String> override,
        Optional<String> overrideAnywhere,
        boolean onPhoneOnly) {
    static RoleShown asAsked(String page, List<Run> runs) {
        return of(page, runs, true, List.of(), Optional.empty(), "", Optional.empty(), Optional.empty());
    }

    static RoleShown otherwise(
            String page,
            List<Run> runs,
            List<OtherMeasure> measures,
            Optional<Winner> winner,
            String why,
            Optional<String> override,
            Optional<String> overrideAnywhere) {
        return of(page, runs, false, measures, winner, why, override, overrideAnywhere);
    }

    private static RoleShown of(
            String page,
            List<Run> runs,
            boolean asAsked,
            List<OtherMeasure> measures,
            Optional<Winner> winner,
            String why,
            Optional<String> override,
            Optional<String> overrideAnywhere) {
        Run first = runs.get(0);
        return new RoleShown(
                first.main(),
                runs.size(),
                first.text(),
                first.path(),
                page,
                asAsked,
                measures,
                winner,
                why,
                override,
                overrideAnywhere,
                false);
    }

    /** The same, seen in a narrow window only. */
    public RoleShown asOnPhoneOnly() {
        return new RoleShown(
                given, texts, text, path, page, asAsked, measures, winner, why, override, overrideAnywhere, true);
    }

    /** The family as a rule declares it, or the system's. */
    public String family() {
        return given.family();
    }

    /** From 1 to 1000. */
    public double weight() {
        return given.weight();
    }

    public Slope slope() {
        return given.slope();
    }

    /** What the browser fakes: {@code bold}, {@code oblique}. */
    public List<String> faked() {
        return given.synthesized();
    }
}
