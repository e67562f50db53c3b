package app.unciala.font.face;

import app.unciala.font.Numbers;

/** A closed range; one value for a static face, wider for a variable one. */
public record Range(double min, double max) {
    public Range {
        if (!(min <= max)) {
            throw new IllegalArgumentException("a range cannot run from " + min + " to " + max);
        }
    }

    public static Range of(double value) {
        return new Range(value, value);
    }

    public boolean contains(double value) {
        return min <= value && value <= max;
    }

    public boolean isSingle() {
        return min == max;
    }

    @Override
    public String toString() {
        return isSingle() ? Numbers.plain(min) : Numbers.plain(min) + "–" + Numbers.plain(max);
    }
}
