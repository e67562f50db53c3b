package app.unciala.core.css.cascade;

import app.unciala.core.css.Keywords;
import app.unciala.core.css.cascade.TextStyle.SizeOrigin;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Works out sizes as Chromium does: 16 pixels by default, 13 where only {@code monospace} is asked for. */
record FontSize(double pixels, SizeOrigin origin) {
    static final int MEDIUM = 3;

    private static final double[] PROPORTIONAL = {9, 10, 13, 16, 18, 24, 32, 48};
    private static final double[] FIXED = {9, 10, 12, 13, 16, 20, 26, 39};
    private static final double[] FIXED_IN_QUIRKS = {9, 9, 10, 13, 16, 20, 26, 40};
    private static final double RATIO = 13.0 / 16;
    private static final Set<String> RELATIVE_UNITS = Set.of("em", "ex", "ch", "cap", "ic", "lh");

    static boolean isMonospace(List<FamilyName> families) {
        return families.size() == 1
                && families.get(0).isGeneric()
                && families.get(0).name().equals("monospace");
    }

    private static double keyword(int place, Family family) {
        return switch (family) {
            case PROPORTIONAL -> PROPORTIONAL[place];
            case FIXED -> FIXED[place];
            case FIXED_IN_QUIRKS -> FIXED_IN_QUIRKS[place];
        };
    }

    /** What the sizes of keywords depend on. */
    enum Family {
        PROPORTIONAL,
        FIXED,
        FIXED_IN_QUIRKS;

        static Family of(List<FamilyName> families, boolean quirks) {
            return !isMonospace(families) ? PROPORTIONAL : quirks ? FIXED_IN_QUIRKS : FIXED;
        }

        private boolean isFixed() {
            return this != PROPORTIONAL;
        }
    }

    /** The size that a declaration says; nothing when it is none. */
    static Optional<FontSize> said(List<Token> value, TextStyle parent, Family family, Lengths lengths) {
        Optional<String> word = FontValues.word(value);
        if (word.isPresent()) {
            int place = Keywords.SIZES.indexOf(word.get());
            if (place >= 0) {
                return Optional.of(new FontSize(keyword(place, family), new SizeOrigin(place, false)));
            }
            return switch (word.get()) {
                case "larger" -> Optional.of(relative(parent, parent.size() * 1.2));
                case "smaller" -> Optional.of(relative(parent, parent.size() / 1.2));
                default -> Optional.empty();
            };
        }
        OptionalDouble length = lengths.length(value);
        if (length.isEmpty() || length.getAsDouble() < 0) {
            return Optional.empty();
        }
        Token only = value.get(0);
        boolean relative = only.is(Kind.PERCENTAGE)
                || (only.is(Kind.DIMENSION)
                        && RELATIVE_UNITS.contains(only.value().toLowerCase(Locale.ROOT)));
        boolean absolute = parent.sizeOrigin().absolute() || !relative;
        return Optional.of(new FontSize(length.getAsDouble(), new SizeOrigin(-1, absolute)));
    }

    private static FontSize relative(TextStyle parent, double size) {
        return new FontSize(size, new SizeOrigin(-1, parent.sizeOrigin().absolute()));
    }

    static FontSize initial(Family family) {
        return new FontSize(keyword(MEDIUM, family), new SizeOrigin(MEDIUM, false));
    }

    /** The inherited size, made smaller or larger where the change of family makes the default another. */
    static FontSize inherited(TextStyle parent, Family family) {
        return new FontSize(parent.size(), parent.sizeOrigin()).where(parent.isMonospace(), family);
    }

    private FontSize where(boolean before, Family now) {
        if (origin.absolute() || before == now.isFixed()) {
            return this;
        }
        return origin.keyword() >= 0
                ? new FontSize(keyword(origin.keyword(), now), origin)
                : new FontSize(now.isFixed() ? pixels * RATIO : pixels / RATIO, origin);
    }

    /** A size relative to the parent's that was said where the family changes: it is scaled once more, as browsers do. */
    FontSize afterChange(boolean before, Family now) {
        return origin.keyword() >= 0 ? this : where(before, now);
    }
}
