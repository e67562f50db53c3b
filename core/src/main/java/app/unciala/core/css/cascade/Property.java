package app.unciala.core.css.cascade;

import java.util.Arrays;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A property that is worked out for every element. */
enum Property {
    FAMILY("font-family", true),
    SIZE("font-size", true),
    WEIGHT("font-weight", true),
    STYLE("font-style", true),
    WIDTH("font-stretch", true),
    FAKES_BOLD("font-synthesis-weight", true),
    FAKES_SLOPE("font-synthesis-style", true),
    TRANSFORM("text-transform", true),
    VISIBILITY("visibility", true),
    DISPLAY("display", false),
    CONTENT("content", false);

    private static final Map<String, Property> BY_NAME =
            Arrays.stream(values()).collect(Collectors.toMap(property -> property.css, Function.identity()));

    private final String css;
    private final boolean inherited;

    Property(String css, boolean inherited) {
        this.css = css;
        this.inherited = inherited;
    }

    boolean isInherited() {
        return inherited;
    }

    /** Whether a declaration of this name says something of one of the properties. */
    static boolean isRead(String name) {
        return name.startsWith("--")
                || BY_NAME.containsKey(name)
                || name.equals("font")
                || name.equals("font-width")
                || name.equals("font-synthesis")
                || name.equals("all");
    }

    /** Whether a declaration of this name says something of it. */
    boolean isSaidBy(String name) {
        return switch (name) {
            case "font" -> this == FAMILY || this == SIZE || this == WEIGHT || this == STYLE || this == WIDTH;
            case "font-synthesis" -> this == FAKES_BOLD || this == FAKES_SLOPE;
            case "all" -> true;
            default -> named(name) == this;
        };
    }

    /** The property of a name that is no shorthand; null for any other name. */
    static @Nullable Property named(String name) {
        return name.equals("font-width") ? WIDTH : BY_NAME.get(name);
    }
}
