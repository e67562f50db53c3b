package app.unciala.core.font.subset;

import app.unciala.core.font.layout.LayoutFeatures;
import java.util.BitSet;
import java.util.function.Predicate;

/** What a subset keeps: characters, layout features by tag, and whether instructions for hinting. */
public record SubsetPlan(BitSet codePoints, Predicate<String> features, boolean hinting) {
    /** The characters, the features that text is set with unasked, and hinting. */
    public static SubsetPlan of(BitSet codePoints) {
        return new SubsetPlan(codePoints, LayoutFeatures::isAppliedUnasked, true);
    }

    public SubsetPlan withFeatures(Predicate<String> kept) {
        return new SubsetPlan(codePoints, kept, hinting);
    }

    public SubsetPlan withoutHinting() {
        return new SubsetPlan(codePoints, features, false);
    }
}
