package app.unciala.core.page;

import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.cascade.Winner;
import java.util.Optional;

/**
 * A size, line height or spacing that texts of a role don't have as the role says.
 *
 * @param property in CSS
 * @param asked as the role says it, with what that is in pixels where it is said in something else
 * @param shown what the texts have
 * @param winner the declaration that decides; nothing where only the initial value does
 */
public record OtherMeasure(String property, String asked, String shown, Optional<Winner> winner) {
    static OtherMeasure of(Measure measure, String said, TextStyle stated, TextStyle shown) {
        String used = measure.used(stated);
        return new OtherMeasure(
                measure.property(),
                used.equals(said) ? said : said + " (" + used + ")",
                measure.used(shown),
                measure.winner(shown));
    }
}
