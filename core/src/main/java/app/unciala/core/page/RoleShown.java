package app.unciala.core.page;

import app.unciala.core.css.cascade.Winner;
import app.unciala.core.page.Run.Given;
import app.unciala.font.face.Slope;
import java.util.List;
import java.util.Optional;

/**
 * Texts of one role on one page that are shown in the same face for the same reason.
 *
 * @param family as a rule declares it, or the system's
 * @param faked what the browser fakes: {@code bold}, {@code oblique}
 * @param texts how many there are
 * @param text the first of them
 * @param path where that one is, as a selector
 * @param page the address of the page
 * @param asAsked whether it is the face that the role asks for
 * @param winner the declaration that decides otherwise; nothing for texts that are as asked, and where only the initial
 *     value does
 * @param why what keeps the face from being shown, in a sentence; empty for texts that are as asked
 * @param override CSS that shows them as asked when it is added at the end of the page's last style sheet, proven by
 *     working out the page again with it; nothing where CSS alone can't
 * @param overrideAnywhere CSS that does the same wherever it stands, such as in a style sheet before that of a theme; nothing
 *     where there is none
 * @param onPhoneOnly whether it is so in a narrow window only
 */
public record RoleShown(
        String family,
        double weight,
        Slope slope,
        List<String> faked,
        int texts,
        String text,
        String path,
        String page,
        boolean asAsked,
        Optional<Winner> winner,
        String why,
        Optional<String> override,
        Optional<String> overrideAnywhere,
        boolean onPhoneOnly) {
    /** The same, seen in a narrow window only. */
    public RoleShown asOnPhoneOnly() {
        return new RoleShown(
                family,
                weight,
                slope,
                faked,
                texts,
                text,
                path,
                page,
                asAsked,
                winner,
                why,
                override,
                overrideAnywhere,
                true);
    }

    static RoleShown of(
            String page,
            List<Run> runs,
            boolean asAsked,
            Optional<Winner> winner,
            String why,
            Optional<String> override,
            Optional<String> overrideAnywhere) {
        Run first = runs.get(0);
        Given given = first.main();
        return new RoleShown(
                given.family(),
                given.weight(),
                given.slope(),
                given.synthesized(),
                runs.size(),
                first.text(),
                first.path(),
                page,
                asAsked,
                winner,
                why,
                override,
                overrideAnywhere,
                false);
    }
}
