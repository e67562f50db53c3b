package app.unciala.core.page;

import app.unciala.core.css.cascade.Rule;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.font.face.Slope;
import java.util.List;
import java.util.Optional;

/**
 * A text of a page, in one element.
 *
 * @param text with its spaces as they are shown, or what a pseudo-element has
 * @param path a selector that matches the element alone, with the pseudo-element after it
 * @param style what is asked
 * @param given what paints it: the face of most of its characters first
 */
public record Run(String text, String path, TextStyle style, List<Given> given) {
    private static final String ELEMENT_BEFORE = " > ";

    /**
     * What visitors get.
     *
     * @param family as a rule declares it; for a face of the system the family that was asked for, or a generic one
     * @param weight of the face, the one taken of a range
     * @param url the file; empty for a face of the system
     * @param synthesized what is faked: {@code bold}, {@code oblique}
     * @param characters those of the text that it paints, each once
     * @param rule where the face is declared
     */
    public record Given(
            String family,
            double weight,
            Slope slope,
            Optional<String> url,
            List<String> synthesized,
            String characters,
            Optional<Rule> rule) {
        public boolean isSystem() {
            return url.isEmpty();
        }
    }

    /** The last part of its path: the element itself. */
    public String element() {
        return path.substring(path.lastIndexOf(ELEMENT_BEFORE) < 0 ? 0 : path.lastIndexOf(ELEMENT_BEFORE) + 3);
    }

    /** What paints the rest of it. */
    public List<Given> others() {
        return given.subList(1, given.size());
    }

    /** What paints most of it. */
    public Given main() {
        return given.get(0);
    }
}
