package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.variation.Location;
import java.util.ArrayList;
import java.util.List;

/**
 * FeatureVariations (OpenType 1.9, "Common table formats"): under conditions on the axes, other lookups are started by a
 * feature.
 */
public record FeatureVariations(ByteView table) {
    private static final int COUNT = 4;
    private static final int RECORDS = 8;
    /** An offset to a set of conditions, and one to a table of substitutions. */
    private static final int RECORD = 8;

    private static final int SUBSTITUTION = 4;
    private static final int SUBSTITUTION_COUNT = 4;
    private static final int SUBSTITUTIONS = 6;
    /** A feature, then a 32-bit offset. */
    private static final int FEATURE_SUBSTITUTION = 6;

    /** The table that stands in for a feature. */
    public record Alternate(int feature, Feature table) {}

    public int count() {
        return (int) Math.min(table.u32(COUNT), table.length() / RECORD);
    }

    public boolean isUnconditional(int record) {
        return table.u32(RECORDS + RECORD * record) == 0;
    }

    /** The conditions of a record that is not unconditional. */
    public ConditionSet conditions(int record) {
        return new ConditionSet(table.from(table.offset32(RECORDS + RECORD * record)));
    }

    public List<Alternate> alternates(int record) {
        ByteView substitution = table.from(table.offset32(RECORDS + RECORD * record + SUBSTITUTION));
        List<Alternate> alternates = new ArrayList<>();
        for (int i = 0; i < substitution.u16(SUBSTITUTION_COUNT); i++) {
            int at = SUBSTITUTIONS + FEATURE_SUBSTITUTION * i;
            Feature feature = new Feature(substitution.from(substitution.offset32(at + 2)));
            alternates.add(new Alternate(substitution.u16(at), feature));
        }
        return alternates;
    }

    /** What the first record whose conditions all hold puts in place; nothing where none does. */
    List<Alternate> at(Location location) {
        for (int i = 0; i < count(); i++) {
            if (isUnconditional(i) || conditions(i).holdAt(location)) {
                return alternates(i);
            }
        }
        return List.of();
    }

    public List<Alternate> alternates() {
        List<Alternate> alternates = new ArrayList<>();
        for (int i = 0; i < count(); i++) {
            alternates.addAll(alternates(i));
        }
        return alternates;
    }
}
