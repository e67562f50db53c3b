package app.unciala.font.subset.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.FeatureVariations;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.ScriptList;
import app.unciala.font.layout.SequenceRule;
import app.unciala.font.layout.packing.Block;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Cuts the lists of scripts and features, and the variations of features, to the lookups that are left. */
final class ScriptCutter {
    /** Features that mean something without a lookup. */
    private static final Set<String> WITHOUT_LOOKUPS = Set.of("size", "pref");

    private final LayoutTable table;
    private final int[] lookupNumbers;
    private final int[] featureNumbers;

    /** {@code lookupNumbers} are the new ones, -1 for lookups that are gone. */
    ScriptCutter(LayoutTable table, int[] lookupNumbers, BitSet features) {
        this.table = table;
        this.lookupNumbers = lookupNumbers;
        featureNumbers = new int[table.featureCount()];
        Arrays.fill(featureNumbers, -1);
        BitSet varied = new BitSet();
        table.featureVariations().ifPresent(variations -> FeatureVariations.of(variations).alternates().stream()
                .filter(alternate -> lookups(alternate.table()).length > 0)
                .forEach(alternate -> varied.set(alternate.feature())));
        int next = 0;
        for (int i = features.nextSetBit(0); i >= 0; i = features.nextSetBit(i + 1)) {
            boolean does = lookups(table.feature(i)).length > 0 || varied.get(i);
            if (does || WITHOUT_LOOKUPS.contains(table.featureTag(i))) {
                featureNumbers[i] = next++;
            }
        }
    }

    Block features() {
        int count = (int) Arrays.stream(featureNumbers).filter(n -> n >= 0).count();
        Block list = new Block().u16(count);
        for (int i = 0; i < featureNumbers.length; i++) {
            if (featureNumbers[i] >= 0) {
                String tag = table.featureTag(i);
                list.tag(tag).link(feature(table.feature(i), tag));
            }
        }
        return list;
    }

    private Block feature(ByteView feature, String tag) {
        int[] lookups = lookups(feature);
        Block parameters = feature.u16(0) == 0 ? null : parameters(feature, tag);
        return SequenceRule.put(new Block().link(parameters).u16(lookups.length), lookups);
    }

    /** FeatureParams of the registered kinds; an offset outside the table, as old {@code size} features have, goes. */
    private static @Nullable Block parameters(ByteView feature, String tag) {
        int at = feature.u16(0);
        int length;
        if (tag.equals("size")) {
            length = 10;
        } else if (tag.startsWith("ss")) {
            length = 4;
        } else if (tag.startsWith("cv") && at + 14 <= feature.length()) {
            length = 14 + 3 * feature.u16(at + 12);
        } else {
            return null;
        }
        return at + length <= feature.length() ? new Block().bytes(feature.slice(at, length)) : null;
    }

    private int[] lookups(ByteView feature) {
        return Arrays.stream(SequenceRule.numbers(feature, 4, feature.u16(2)))
                .filter(lookup -> lookup < lookupNumbers.length && lookupNumbers[lookup] >= 0)
                .map(lookup -> lookupNumbers[lookup])
                .toArray();
    }

    /** Every script stays, for one that is gone would be set by the default script's features. */
    Block scripts() {
        ScriptList scripts = new ScriptList(table.scripts());
        Block list = new Block().u16(scripts.count());
        for (int i = 0; i < scripts.count(); i++) {
            list.tag(scripts.tag(i)).link(script(scripts.script(i)));
        }
        return list;
    }

    /** A language that has become the same as its script's default goes. */
    private Block script(ByteView script) {
        Block standard = script.u16(0) == 0 ? null : language(script.from(script.u16(0)));
        int count = 0;
        for (int i = 0; i < script.u16(2); i++) {
            Block language = language(script.from(script.u16(8 + 6 * i)));
            if (standard == null || !Arrays.equals(standard.toArray(), language.toArray())) {
                count++;
            }
        }
        Block block = new Block().link(standard).u16(count);
        for (int i = 0; i < script.u16(2); i++) {
            Block language = language(script.from(script.u16(8 + 6 * i)));
            if (standard == null || !Arrays.equals(standard.toArray(), language.toArray())) {
                block.tag(script.tag(4 + 6 * i)).link(language);
            }
        }
        return block;
    }

    private Block language(ByteView language) {
        int required = language.u16(2);
        int[] features = Arrays.stream(SequenceRule.numbers(language, 6, language.u16(4)))
                .filter(i -> number(i) >= 0)
                .map(this::number)
                .toArray();
        Block block = new Block().u16(0).u16(number(required) < 0 ? 0xFFFF : number(required));
        return SequenceRule.put(block.u16(features.length), features);
    }

    private int number(int feature) {
        return feature < featureNumbers.length ? featureNumbers[feature] : -1;
    }

    /** The variations of the features that are left, or nothing. */
    @Nullable
    Block variations() {
        ByteView before = table.featureVariations().orElse(null);
        if (before == null) {
            return null;
        }
        FeatureVariations variations = FeatureVariations.of(before);
        Block block = new Block().u16(1).u16(0).u32(variations.count());
        boolean any = false;
        for (int i = 0; i < variations.count(); i++) {
            List<FeatureVariations.Alternate> alternates = variations.alternates(i).stream()
                    .filter(alternate -> number(alternate.feature()) >= 0)
                    .toList();
            any |= !alternates.isEmpty();
            Block substitution = new Block().u16(1).u16(0).u16(alternates.size());
            for (FeatureVariations.Alternate alternate : alternates) {
                substitution.u16(number(alternate.feature()));
                substitution.link32(feature(alternate.table(), table.featureTag(alternate.feature())));
            }
            block.link32(variations.isUnconditional(i) ? null : conditions(variations.conditions(i)));
            block.link32(substitution);
        }
        return any ? block : null;
    }

    /** Condition sets hold conditions of format 1: an axis and a range on it. */
    private static Block conditions(ByteView set) {
        Block block = new Block().u16(set.u16(0));
        for (int i = 0; i < set.u16(0); i++) {
            block.link32(new Block().bytes(set.slice(set.offset32(2 + 4 * i), 8)));
        }
        return block;
    }
}
