package app.unciala.core.css;

import java.util.List;
import java.util.Map;
import java.util.Set;

/** The keywords of CSS that several readers of style sheets know, in lower case. */
public final class Keywords {
    /** Those that every property takes (CSS Cascading 5, section 7.3). */
    public static final Set<String> WIDE = Set.of("initial", "inherit", "unset", "revert", "revert-layer");

    /** The generic families (CSS Fonts 4, section 2.1). */
    public static final Set<String> GENERIC_FAMILIES = Set.of(
            "serif",
            "sans-serif",
            "cursive",
            "fantasy",
            "monospace",
            "system-ui",
            "ui-serif",
            "ui-sans-serif",
            "ui-monospace",
            "ui-rounded",
            "math",
            "emoji",
            "fangsong");

    /** The widths in percent (CSS Fonts 4, section 2.3). */
    public static final Map<String, Double> WIDTHS = Map.of(
            "ultra-condensed", 50.0,
            "extra-condensed", 62.5,
            "condensed", 75.0,
            "semi-condensed", 87.5,
            "normal", 100.0,
            "semi-expanded", 112.5,
            "expanded", 125.0,
            "extra-expanded", 150.0,
            "ultra-expanded", 200.0);

    /** The absolute sizes, the smallest first (CSS Fonts 4, section 2.5). */
    public static final List<String> SIZES =
            List.of("xx-small", "x-small", "small", "medium", "large", "x-large", "xx-large", "xxx-large");

    private Keywords() {}
}
