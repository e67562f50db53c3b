package app.unciala.font.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.variation.Location;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** The common shape of {@code GSUB} and {@code GPOS}: scripts, features and lookups (OpenType 1.9, "Common table formats"). */
public final class LayoutTable {
    private static final int MINOR_VERSION = 2;
    private static final int SCRIPT_LIST = 4;
    private static final int FEATURE_LIST = 6;
    private static final int LOOKUP_LIST = 8;
    /** From version 1.1 on. */
    private static final int FEATURE_VARIATIONS = 10;

    private static final int FEATURE_RECORDS = 2;
    /** A tag, then an offset. */
    private static final int FEATURE_RECORD = 6;

    private static final int TAG = 4;
    private static final int LOOKUP_OFFSETS = 2;

    private final ByteView table;
    private final ByteView features;
    private final ByteView lookups;
    private final Optional<Map<Integer, Feature>> featuresAtInstance;

    private LayoutTable(ByteView table, Optional<Map<Integer, Feature>> featuresAtInstance) {
        this.table = table;
        this.featuresAtInstance = featuresAtInstance;
        features = table.from(table.u16(FEATURE_LIST));
        lookups = table.from(table.u16(LOOKUP_LIST));
    }

    /** {@code table} is named {@code GSUB} or {@code GPOS}. */
    public static LayoutTable of(ByteView table) {
        return new LayoutTable(table, Optional.empty());
    }

    /** The table as it is at a location of a variable font: the features that hold there, and no variations. */
    public LayoutTable instanceAt(Location location) {
        Map<Integer, Feature> alternates = new HashMap<>();
        featureVariations()
                .ifPresent(variations -> variations.at(location).forEach(a -> alternates.put(a.feature(), a.table())));
        return new LayoutTable(table, Optional.of(alternates));
    }

    /** The tags of all features, in alphabetical order. */
    public SortedSet<String> featureTags() {
        SortedSet<String> tags = new TreeSet<>();
        IntStream.range(0, featureCount()).forEach(i -> tags.add(featureTag(i)));
        return tags;
    }

    /** {@code GSUB} or {@code GPOS}. */
    public String tag() {
        return table.table();
    }

    public boolean substitutes() {
        return tag().equals("GSUB");
    }

    public ScriptList scripts() {
        return new ScriptList(table.from(table.u16(SCRIPT_LIST)));
    }

    public int featureCount() {
        return features.u16(0);
    }

    public String featureTag(int feature) {
        return features.tag(FEATURE_RECORDS + FEATURE_RECORD * feature);
    }

    public Feature feature(int feature) {
        Feature own = new Feature(features.from(features.u16(FEATURE_RECORDS + FEATURE_RECORD * feature + TAG)));
        return featuresAtInstance
                .map(alternates -> alternates.getOrDefault(feature, own))
                .orElse(own);
    }

    /** The variations of features, in tables of version 1.1 that have them. */
    public Optional<FeatureVariations> featureVariations() {
        if (featuresAtInstance.isPresent() || table.u16(MINOR_VERSION) == 0 || table.u32(FEATURE_VARIATIONS) == 0) {
            return Optional.empty();
        }
        return Optional.of(new FeatureVariations(table.from(table.offset32(FEATURE_VARIATIONS))));
    }

    public int lookupCount() {
        return table.u16(LOOKUP_LIST) == 0 ? 0 : lookups.u16(0);
    }

    public Lookup lookup(int lookup) {
        if (lookup >= lookupCount()) {
            throw new FontException(tag(), -1, "asks for lookup " + lookup + " of " + lookupCount());
        }
        return new Lookup(lookups.from(lookups.u16(LOOKUP_OFFSETS + 2 * lookup)));
    }

    public List<Lookup.Subtable> subtables(int lookup) {
        return lookup(lookup).subtables();
    }

    /** The features with a wanted tag, of all scripts and languages. */
    public BitSet tagged(Predicate<String> wanted) {
        BitSet tagged = new BitSet();
        IntStream.range(0, featureCount())
                .filter(i -> wanted.test(featureTag(i)))
                .forEach(tagged::set);
        return tagged;
    }

    /** The features with a wanted tag, and those that some language requires whatever its tag. */
    public BitSet features(Predicate<String> wanted) {
        BitSet chosen = tagged(wanted);
        scripts().languages().forEach(language -> language.required().ifPresent(chosen::set));
        chosen.clear(featureCount(), Math.max(chosen.length(), featureCount()));
        return chosen;
    }

    /** Whether text in any script and language has a feature with this tag, in which it may do nothing. */
    public boolean hasForAllText(String tag) {
        BitSet tagged = tagged(tag::equals);
        ScriptList scripts = scripts();
        boolean hasDefault =
                IntStream.range(0, scripts.count()).mapToObj(scripts::tag).anyMatch(ScriptList.DEFAULTS::contains);
        return hasDefault
                && scripts.languages().stream()
                        .allMatch(language -> Arrays.stream(language.features()).anyMatch(tagged::get));
    }

    /** The lookups that the features start, of themselves or under a variation. */
    public BitSet lookupsOf(BitSet chosen) {
        BitSet started = new BitSet();
        chosen.stream().forEach(i -> addLookups(feature(i), started));
        featureVariations().ifPresent(variations -> variations.alternates().forEach(alternate -> {
            if (chosen.get(alternate.feature())) {
                addLookups(alternate.table(), started);
            }
        }));
        return started;
    }

    private void addLookups(Feature feature, BitSet lookups) {
        for (int lookup : feature.lookups()) {
            if (lookup < lookupCount()) {
                lookups.set(lookup);
            }
        }
    }
}
