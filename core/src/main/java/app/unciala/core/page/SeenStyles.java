package app.unciala.core.page;

import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.selector.Element;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.font.face.Slope;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What a browser itself says of the styles of a page's texts, where one showed it. */
final class SeenStyles {
    /** Of a page that no browser showed. */
    static final SeenStyles NONE = new SeenStyles(List.of(), List.of());

    private final List<BrowserReading.Style> styles;
    private final Map<String, List<FamilyName>> families = new HashMap<>();
    private final Set<String> ofScripts;

    private SeenStyles(List<BrowserReading.Style> styles, List<String> ofScripts) {
        this.styles = styles;
        this.ofScripts =
                ofScripts.stream().map(name -> name.toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
    }

    static SeenStyles of(BrowserReading reading) {
        return new SeenStyles(reading.styles(), reading.scriptFamilies());
    }

    /** Families that scripts added, of which no rule tells. */
    Set<String> familiesOfScripts() {
        return ofScripts;
    }

    /** Whether the browser painted text of an element. */
    boolean has(Element element) {
        return style(element).isPresent();
    }

    /** The style of an element's text: what the browser says where it does, and otherwise what was worked out. */
    TextStyle of(Element element, TextStyle workedOut) {
        return style(element)
                .map(seen -> workedOut.seenAs(
                        families.computeIfAbsent(seen.family(), SeenStyles::families),
                        Math.max(0, seen.size()),
                        Math.max(1, Math.min(1000, seen.weight())),
                        slope(seen.slope()),
                        Math.max(1, seen.width())))
                .orElse(workedOut);
    }

    private Optional<BrowserReading.Style> style(Element element) {
        return element.attribute(BrowserReading.STYLE)
                .filter(place -> place.matches("\\d{1,6}"))
                .map(Integer::parseInt)
                .filter(place -> place < styles.size())
                .map(styles::get);
    }

    private static List<FamilyName> families(String value) {
        return FamilyName.list(StyleSheet.tokens(value))
                .filter(names -> !names.isEmpty())
                .orElse(TextStyle.INITIAL_FAMILIES);
    }

    private static Slope slope(String value) {
        return value.startsWith("italic") ? Slope.ITALIC : value.startsWith("oblique") ? Slope.OBLIQUE : Slope.UPRIGHT;
    }
}
