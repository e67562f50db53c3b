package app.unciala.core.css;

import app.unciala.font.face.Classification;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A CSS generic family, with system families of its kind that most visitors have. */
public enum GenericFamily {
    SERIF(List.of("Georgia", "Times New Roman")),
    SANS_SERIF(List.of("Helvetica Neue", "Arial")),
    MONOSPACE(List.of("Menlo", "Consolas")),
    CURSIVE(List.of()),
    SYSTEM_UI(List.of());

    private final List<String> systemFamilies;

    GenericFamily(List<String> systemFamilies) {
        this.systemFamilies = systemFamilies;
    }

    /** What can stand in for a family of a kind. */
    public static GenericFamily of(Classification classification) {
        return switch (classification) {
            case SERIF -> SERIF;
            case SANS_SERIF, DISPLAY -> SANS_SERIF;
            case MONOSPACED -> MONOSPACE;
            case HANDWRITING -> CURSIVE;
        };
    }

    public String css() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The value of {@code font-family} without a family of one's own: system families of the kind, and the generic. */
    public String stack() {
        return Stream.concat(systemFamilies.stream().map(CssText::quote), Stream.of(css()))
                .collect(Collectors.joining(", "));
    }

    /** The value of {@code font-family} that begins with {@code family} and ends in this generic. */
    public String stackAfter(String family) {
        return CssText.quote(family) + ", " + stack();
    }
}
