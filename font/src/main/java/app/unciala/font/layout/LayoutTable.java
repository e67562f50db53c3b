package app.unciala.font.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.variation.Location;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** The common shape of {@code GSUB} and {@code GPOS}: scripts, features and lookups (OpenType 1.9, "Common"). */
public final class LayoutTable {
    /** One subtable of a lookup, extensions resolved. */
    public record Subtable(int type, ByteView bytes) {}

    private final ByteView table;
    private final ByteView features;
    private final ByteView lookups;
    private final boolean substitutes;
    private final Optional<Map<Integer, ByteView>> featuresAtInstance;

    private LayoutTable(ByteView table, Optional<Map<Integer, ByteView>> featuresAtInstance) {
        this.table = table;
        this.featuresAtInstance = featuresAtInstance;
        substitutes = table.table().equals("GSUB");
        features = table.from(table.u16(6));
        lookups = table.from(table.u16(8));
    }

    /** {@code table} is named {@code GSUB} or {@code GPOS}. */
    public static LayoutTable of(ByteView table) {
        return new LayoutTable(table, Optional.empty());
    }

    /** The table as it is at a location of a variable font: the features that hold there, and no variations. */
    public LayoutTable instanceAt(Location location) {
        Map<Integer, ByteView> alternates = new HashMap<>();
        featureVariations()
                .map(FeatureVariations::of)
                .ifPresent(variations -> variations.at(location).forEach(a -> alternates.put(a.feature(), a.table())));
        return new LayoutTable(table, Optional.of(alternates));
    }

    /** The tags of all features, in alphabetical order. */
    public SortedSet<String> featureTags() {
        SortedSet<String> tags = new TreeSet<>();
        IntStream.range(0, featureCount()).forEach(i -> tags.add(featureTag(i)));
        return tags;
    }

    public ByteView table() {
        return table;
    }

    public boolean substitutes() {
        return substitutes;
    }

    public ByteView scripts() {
        return table.from(table.u16(4));
    }

    public int featureCount() {
        return features.u16(0);
    }

    public String featureTag(int feature) {
        return features.tag(2 + 6 * feature);
    }

    public ByteView feature(int feature) {
        ByteView own = features.from(features.u16(6 + 6 * feature));
        return featuresAtInstance
                .map(alternates -> alternates.getOrDefault(feature, own))
                .orElse(own);
    }

    /** FeatureVariations, in tables of version 1.1 that have them. */
    public Optional<ByteView> featureVariations() {
        if (featuresAtInstance.isPresent() || table.u16(2) == 0 || table.u32(10) == 0) {
            return Optional.empty();
        }
        return Optional.of(table.from(table.offset32(10)));
    }

    public int lookupCount() {
        return table.u16(8) == 0 ? 0 : lookups.u16(0);
    }

    public ByteView lookup(int lookup) {
        if (lookup >= lookupCount()) {
            throw new FontException(table.table(), -1, "asks for lookup " + lookup + " of " + lookupCount());
        }
        return lookups.from(lookups.u16(2 + 2 * lookup));
    }

    public List<Subtable> subtables(int lookup) {
        ByteView bytes = lookup(lookup);
        int extension = substitutes ? 7 : 9;
        return IntStream.range(0, bytes.u16(4))
                .mapToObj(i -> {
                    int type = bytes.u16(0);
                    ByteView subtable = bytes.from(bytes.u16(6 + 2 * i));
                    if (type != extension) {
                        return new Subtable(type, subtable);
                    }
                    if (subtable.u16(2) == extension) {
                        throw new FontException(table.table(), -1, "extends an extension");
                    }
                    return new Subtable(subtable.u16(2), subtable.from(subtable.offset32(4)));
                })
                .toList();
    }

    /** The features with this tag, of all scripts and languages. */
    BitSet tagged(String tag) {
        BitSet tagged = new BitSet();
        IntStream.range(0, featureCount())
                .filter(i -> featureTag(i).equals(tag))
                .forEach(tagged::set);
        return tagged;
    }

    /** The features with a wanted tag, and those that some language requires whatever its tag. */
    public BitSet features(Predicate<String> wanted) {
        BitSet chosen = new BitSet();
        IntStream.range(0, featureCount())
                .filter(i -> wanted.test(featureTag(i)))
                .forEach(chosen::set);
        new ScriptList(scripts()).languages().forEach(language -> {
            if (language.u16(2) != 0xFFFF) {
                chosen.set(language.u16(2));
            }
        });
        chosen.clear(featureCount(), Math.max(chosen.length(), featureCount()));
        return chosen;
    }

    /** The lookups that the features start, of themselves or under a variation. */
    public BitSet lookupsOf(BitSet chosen) {
        BitSet started = new BitSet();
        chosen.stream().forEach(i -> addLookups(feature(i), started));
        featureVariations().ifPresent(variations -> FeatureVariations.of(variations)
                .alternates()
                .forEach(alternate -> {
                    if (chosen.get(alternate.feature())) {
                        addLookups(alternate.table(), started);
                    }
                }));
        return started;
    }

    /** The lookups started, with those that contextual ones among them apply. */
    public BitSet withNested(BitSet started) {
        BitSet reached = (BitSet) started.clone();
        Deque<Integer> open = new ArrayDeque<>();
        started.stream().forEach(open::add);
        while (!open.isEmpty()) {
            for (Subtable subtable : subtables(open.remove())) {
                for (int nested : ContextReader.nested(subtable, substitutes)) {
                    if (nested < lookupCount() && !reached.get(nested)) {
                        reached.set(nested);
                        open.add(nested);
                    }
                }
            }
        }
        return reached;
    }

    private void addLookups(ByteView feature, BitSet lookups) {
        for (int i = 0; i < feature.u16(2); i++) {
            int lookup = feature.u16(4 + 2 * i);
            if (lookup < lookupCount()) {
                lookups.set(lookup);
            }
        }
    }
}
