package app.unciala.font.subset.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.ConditionSet;
import app.unciala.font.layout.Feature;
import app.unciala.font.layout.FeatureVariations;
import app.unciala.font.layout.LanguageSystem;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.Script;
import app.unciala.font.layout.ScriptList;
import app.unciala.font.layout.packing.Block;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** Cuts the lists of scripts and features, and the variations of features, to the lookups that are left. */
final class ScriptCutter {
    /** Features that mean something without a lookup. */
    private static final Set<String> WITHOUT_LOOKUPS = Set.of("size", "pref");

    /** The bytes of the parameters of features that have some. */
    private static final int SIZE_PARAMETERS = 10;

    private static final int STYLISTIC_SET_PARAMETERS = 4;
    /** Without the characters, of three bytes each. */
    private static final int CHARACTER_VARIANT_PARAMETERS = 14;

    private static final int CHARACTER_COUNT = 12;

    private final LayoutTable table;
    private final int[] lookupNumbers;
    private final int[] featureNumbers;

    /**
     * Takes what is left of the lookups.
     *
     * @param lookupNumbers the new ones, -1 for lookups that are gone
     * @param hasKernTable whether there is a table {@code kern}, which shapers pass over where a feature for kerning is,
     *     though it does nothing
     */
    ScriptCutter(LayoutTable table, int[] lookupNumbers, BitSet features, boolean hasKernTable) {
        this.table = table;
        this.lookupNumbers = lookupNumbers;
        featureNumbers = new int[table.featureCount()];
        Arrays.fill(featureNumbers, -1);
        BitSet varied = new BitSet();
        table.featureVariations().ifPresent(variations -> variations.alternates().stream()
                .filter(alternate -> lookups(alternate.table()).length > 0)
                .forEach(alternate -> varied.set(alternate.feature())));
        int next = 0;
        for (int i = features.nextSetBit(0); i >= 0; i = features.nextSetBit(i + 1)) {
            boolean does = lookups(table.feature(i)).length > 0 || varied.get(i);
            String tag = table.featureTag(i);
            if (does || WITHOUT_LOOKUPS.contains(tag) || (hasKernTable && tag.equals("kern"))) {
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

    private Block feature(Feature feature, String tag) {
        int[] lookups = lookups(feature);
        return new Block().link(parameters(feature, tag)).u16(lookups.length).u16s(lookups);
    }

    /** FeatureParams of the registered kinds; an offset outside the table, as old {@code size} features have, goes. */
    private static @Nullable Block parameters(Feature feature, String tag) {
        int at = feature.parametersAt();
        ByteView table = feature.table();
        int length = 0;
        if (tag.equals("size")) {
            length = SIZE_PARAMETERS;
        } else if (tag.startsWith("ss")) {
            length = STYLISTIC_SET_PARAMETERS;
        } else if (tag.startsWith("cv") && at + CHARACTER_VARIANT_PARAMETERS <= table.length()) {
            length = CHARACTER_VARIANT_PARAMETERS + 3 * table.u16(at + CHARACTER_COUNT);
        }
        return at > 0 && length > 0 && at + length <= table.length()
                ? new Block().bytes(table.slice(at, length))
                : null;
    }

    private int[] lookups(Feature feature) {
        return Arrays.stream(feature.lookups())
                .filter(lookup -> lookup < lookupNumbers.length && lookupNumbers[lookup] >= 0)
                .map(lookup -> lookupNumbers[lookup])
                .toArray();
    }

    /** Every script stays, for one that is gone would be set by the default script's features. */
    Block scripts() {
        ScriptList scripts = table.scripts();
        Block list = new Block().u16(scripts.count());
        for (int i = 0; i < scripts.count(); i++) {
            list.tag(scripts.tag(i)).link(script(scripts.script(i)));
        }
        return list;
    }

    /** A language that has become the same as its script's default goes. */
    private Block script(Script script) {
        Block standard = script.defaultLanguage().map(this::language).orElse(null);
        SortedMap<Integer, Block> others = new TreeMap<>();
        for (int i = 0; i < script.languageCount(); i++) {
            Block language = language(script.language(i));
            if (standard == null || !Arrays.equals(standard.toArray(), language.toArray())) {
                others.put(i, language);
            }
        }
        Block block = new Block().link(standard).u16(others.size());
        others.forEach((i, language) -> block.tag(script.languageTag(i)).link(language));
        return block;
    }

    private Block language(LanguageSystem language) {
        int required = language.required().orElse(LanguageSystem.NO_FEATURE);
        int[] features = Arrays.stream(language.features())
                .map(this::number)
                .filter(number -> number >= 0)
                .toArray();
        return new Block()
                .u16(0)
                .u16(number(required) < 0 ? LanguageSystem.NO_FEATURE : number(required))
                .u16(features.length)
                .u16s(features);
    }

    private int number(int feature) {
        return feature < featureNumbers.length ? featureNumbers[feature] : -1;
    }

    /** The variations of the features that are left, or nothing. */
    @Nullable
    Block variations() {
        FeatureVariations variations = table.featureVariations().orElse(null);
        if (variations == null) {
            return null;
        }
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

    private static Block conditions(ConditionSet set) {
        Block block = new Block().u16(set.conditions().size());
        set.conditions().forEach(condition -> block.link32(new Block().bytes(condition.bytes())));
        return block;
    }
}
