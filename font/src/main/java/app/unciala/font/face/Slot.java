package app.unciala.font.face;

import java.util.Arrays;

/**
 * The place of a face in its family. Weight is 1 to 1000, width a percentage of the normal width (50 to 200), both as
 * in CSS; a variable face fills a range of slots.
 */
public record Slot(Range weight, Range width, Slope slope) {
    public Slot {
        if (weight.min() < 1 || weight.max() > 1000) {
            throw new IllegalArgumentException("weight " + weight + " is not between 1 and 1000");
        }
        if (width.min() <= 0) {
            throw new IllegalArgumentException("width " + width + " % is not above zero");
        }
    }

    public static Slot of(double weight, double width, Slope slope) {
        return new Slot(Range.of(weight), Range.of(width), slope);
    }

    /** Whether a face in this slot serves what the other asks, exactly. */
    public boolean serves(Slot asked) {
        return slope == asked.slope
                && weight.contains(asked.weight.min())
                && weight.contains(asked.weight.max())
                && width.contains(asked.width.min())
                && width.contains(asked.width.max());
    }

    /**
     * Whether browsers take a face in this slot for what the other asks, without faking anything: as {@link #serves},
     * but an oblique face also stands for an italic and the other way round (CSS Fonts Level 4, section 5.2).
     */
    public boolean standsFor(Slot asked) {
        boolean bothSlanted = slope != Slope.UPRIGHT && asked.slope != Slope.UPRIGHT;
        return serves(bothSlanted ? new Slot(asked.weight, asked.width, slope) : asked);
    }

    /** A short stable form for identities and URLs, such as {@code 700-100-italic}. */
    public String key() {
        return (weight + "-" + width + "-" + slope.key()).replace('–', '_');
    }

    /**
     * The slot that a key stands for.
     *
     * @throws IllegalArgumentException if it is no key
     */
    public static Slot ofKey(String key) {
        String[] parts = key.split("-");
        if (parts.length != 3) {
            throw new IllegalArgumentException(key + " isn’t a key of a slot");
        }
        Slope slope = Arrays.stream(Slope.values())
                .filter(known -> known.key().equals(parts[2]))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(key + " has no slope"));
        return new Slot(range(parts[0]), range(parts[1]), slope);
    }

    private static Range range(String text) {
        String[] ends = text.split("_");
        return new Range(Double.parseDouble(ends[0]), Double.parseDouble(ends[ends.length - 1]));
    }

    /** The slot in words, such as {@code Bold Italic} or {@code Light to Black}. */
    public String label() {
        String name = weight.isSingle()
                ? StyleNames.weightName(weight.min())
                : StyleNames.weightName(weight.min()) + " to " + StyleNames.weightName(weight.max());
        if (!width.isSingle()) {
            name = "Width " + width + " % " + name;
        } else if (width.min() != 100) {
            name = StyleNames.widthName(width.min()) + " " + name;
        }
        return switch (slope) {
            case UPRIGHT -> name;
            case ITALIC -> name.equals("Regular") ? "Italic" : name + " Italic";
            case OBLIQUE -> name.equals("Regular") ? "Oblique" : name + " Oblique";
        };
    }
}
