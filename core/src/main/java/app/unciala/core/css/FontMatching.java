package app.unciala.core.css;

import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;

/** Which face a browser takes when a style is asked for, as CSS Fonts Level 4 specifies (section 5.2, steps 4). */
public final class FontMatching {
    /** The face taken, and what the browser then fakes: a smear for bold, a slant for italic. */
    public record Match(Slot face, boolean fakesBold, boolean fakesSlope) {
        public boolean isFaithful(Slot asked) {
            return face.serves(asked);
        }
    }

    private FontMatching() {}

    /** The match within one family, or nothing when the family has no faces. */
    public static Optional<Match> match(Slot asked, Collection<Slot> faces) {
        Comparator<Slot> order = Comparator.comparingDouble((Slot face) -> widthDistance(asked, face))
                .thenComparingInt(face -> slopeDistance(asked.slope(), face.slope()))
                .thenComparingDouble(face -> weightDistance(asked.weight().min(), face.weight()))
                .thenComparing(Slot::key);
        return faces.stream().min(order).map(face -> {
            boolean fakesBold = asked.weight().min() >= 600 && face.weight().max() < 600;
            boolean fakesSlope = asked.slope() != Slope.UPRIGHT && face.slope() == Slope.UPRIGHT;
            return new Match(face, fakesBold, fakesSlope);
        });
    }

    /** At normal width and below, narrower faces come first, then wider ones; above it, the other way round. */
    private static double widthDistance(Slot asked, Slot face) {
        double width = asked.width().min();
        return distance(width, face.width(), width <= 100);
    }

    /**
     * Between 400 and 500 first the weights up to 500, then lighter, then heavier; below 400 lighter first, above 500
     * heavier first.
     */
    private static double weightDistance(double asked, Range held) {
        if (held.contains(asked)) {
            return 0;
        }
        if (asked >= 400 && asked <= 500) {
            if (held.min() > asked && held.min() <= 500) {
                return held.min() - asked;
            }
            return held.max() < asked ? 1000 + asked - held.max() : 2000 + held.min() - asked;
        }
        return distance(asked, held, asked < 400);
    }

    private static double distance(double asked, Range held, boolean smallerFirst) {
        if (held.contains(asked)) {
            return 0;
        }
        boolean smaller = held.max() < asked;
        double gap = smaller ? asked - held.max() : held.min() - asked;
        return smaller == smallerFirst ? gap : 10_000 + gap;
    }

    private static int slopeDistance(Slope asked, Slope held) {
        if (asked == held) {
            return 0;
        }
        return switch (asked) {
            case ITALIC -> held == Slope.OBLIQUE ? 1 : 2;
            case OBLIQUE -> held == Slope.ITALIC ? 1 : 2;
            case UPRIGHT -> held == Slope.OBLIQUE ? 1 : 2;
        };
    }
}
