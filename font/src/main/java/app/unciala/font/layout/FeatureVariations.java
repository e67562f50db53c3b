package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.variation.Location;
import java.util.ArrayList;
import java.util.List;

/** FeatureVariations: under conditions on the axes, other lookups stand in for those of a feature. */
public record FeatureVariations(ByteView table) {
    /** The table that stands in for a feature. */
    public record Alternate(int feature, ByteView table) {}

    public static FeatureVariations of(ByteView table) {
        return new FeatureVariations(table);
    }

    public int count() {
        return (int) Math.min(table.u32(4), table.length() / 8);
    }

    public boolean isUnconditional(int record) {
        return table.u32(8 + 8 * record) == 0;
    }

    /** The conditions of a record; the offset is zero where it always applies. */
    public ByteView conditions(int record) {
        return table.from(table.offset32(8 + 8 * record));
    }

    public List<Alternate> alternates(int record) {
        ByteView substitution = table.from(table.offset32(12 + 8 * record));
        List<Alternate> alternates = new ArrayList<>();
        for (int i = 0; i < substitution.u16(4); i++) {
            alternates.add(
                    new Alternate(substitution.u16(6 + 6 * i), substitution.from(substitution.offset32(8 + 6 * i))));
        }
        return alternates;
    }

    /** What the first record whose conditions all hold puts in place; nothing where none does. */
    List<Alternate> at(Location location) {
        for (int i = 0; i < count(); i++) {
            if (isUnconditional(i) || holds(conditions(i), location)) {
                return alternates(i);
            }
        }
        return List.of();
    }

    private static boolean holds(ByteView conditions, Location location) {
        for (int i = 0; i < conditions.u16(0); i++) {
            ByteView condition = conditions.from(conditions.offset32(2 + 4 * i));
            int axis = condition.u16(2);
            double coordinate = axis < location.axisCount() ? location.coordinate(axis) : 0;
            boolean within = coordinate >= condition.i16(4) / 16384.0 && coordinate <= condition.i16(6) / 16384.0;
            if (condition.u16(0) != 1 || !within) {
                return false;
            }
        }
        return true;
    }

    public List<Alternate> alternates() {
        List<Alternate> alternates = new ArrayList<>();
        for (int i = 0; i < count(); i++) {
            alternates.addAll(alternates(i));
        }
        return alternates;
    }
}
