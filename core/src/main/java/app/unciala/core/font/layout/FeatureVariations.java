package app.unciala.core.font.layout;

import app.unciala.core.font.ByteView;
import java.util.ArrayList;
import java.util.List;

/** FeatureVariations: under conditions on the axes, other lookups stand in for those of a feature. */
record FeatureVariations(ByteView table) {
    /** The table that stands in for a feature. */
    record Alternate(int feature, ByteView table) {}

    static FeatureVariations of(ByteView table) {
        return new FeatureVariations(table);
    }

    int count() {
        return (int) Math.min(table.u32(4), table.length() / 8);
    }

    /** The conditions of a record, absent when it always applies. */
    ByteView conditions(int record) {
        return table.from(table.offset32(8 + 8 * record));
    }

    List<Alternate> alternates(int record) {
        ByteView substitution = table.from(table.offset32(12 + 8 * record));
        List<Alternate> alternates = new ArrayList<>();
        for (int i = 0; i < substitution.u16(4); i++) {
            alternates.add(
                    new Alternate(substitution.u16(6 + 6 * i), substitution.from(substitution.offset32(8 + 6 * i))));
        }
        return alternates;
    }

    List<Alternate> alternates() {
        List<Alternate> alternates = new ArrayList<>();
        for (int i = 0; i < count(); i++) {
            alternates.addAll(alternates(i));
        }
        return alternates;
    }
}
