package app.unciala.core.css.cascade;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** A property that is worked out for every element. */
enum Property {
    FAMILY("font-family", true),
    SIZE("font-size", true),
    WEIGHT("font-weight", true),
    STYLE("font-style", true),
    WIDTH("font-stretch", true),
    FAKES_BOLD("font-synthesis-weight", true),
    FAKES_SLOPE("font-synthesis-style", true),
    LINE_HEIGHT("line-height", true),
    LETTER_SPACING("letter-spacing", true),
    WORD_SPACING("word-spacing", true),
    TRANSFORM("text-transform", true),
    VISIBILITY("visibility", true),
    DISPLAY("display", false),
    CONTENT("content", false);

    /** What the declarations of a name say something of: the property of that name, or those of a shorthand. */
    private static final Map<String, Set<Property>> SAID_BY = saidBy();

    private final String css;
    private final boolean inherited;

    Property(String css, boolean inherited) {
        this.css = css;
        this.inherited = inherited;
    }

    boolean isInherited() {
        return inherited;
    }

    /** The properties that declarations of a name say something of; none where nobody reads them. */
    static Set<Property> saidBy(String name) {
        return SAID_BY.getOrDefault(name, Set.of());
    }

    /** Whether declarations of a name are read: those of the properties, and of custom ones. */
    static boolean isRead(String name) {
        return name.startsWith("--") || SAID_BY.containsKey(name);
    }

    private static Map<String, Set<Property>> saidBy() {
        Map<String, Set<Property>> names = new HashMap<>();
        Arrays.stream(values()).forEach(property -> names.put(property.css, EnumSet.of(property)));
        names.put("font-width", EnumSet.of(WIDTH));
        names.put("font", EnumSet.of(FAMILY, SIZE, LINE_HEIGHT, WEIGHT, STYLE, WIDTH));
        names.put("font-synthesis", EnumSet.of(FAKES_BOLD, FAKES_SLOPE));
        names.put("all", EnumSet.allOf(Property.class));
        return names;
    }
}
