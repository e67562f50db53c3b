package app.unciala.font.subset.layout;

import app.unciala.font.FontException;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.Lookup;
import app.unciala.font.layout.LookupType;
import app.unciala.font.layout.context.ContextSubtable;
import app.unciala.font.layout.context.NestedLookups;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.packing.BlockPacker;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.IntUnaryOperator;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * Cuts {@code GSUB} or {@code GPOS}: to the wanted features, the lookups these start, and in them to the kept glyphs.
 * Lookups are numbered anew in their old order, in which they apply.
 */
final class LayoutTableCutter {
    private static final int EXTENSION_FORMAT = 1;

    private final LayoutTable table;
    private final Cut cut;
    private final Predicate<String> wanted;
    private final boolean hasKernTable;
    private final int[] lookupNumbers;
    private final List<List<Block>> lookups = new ArrayList<>();
    private final List<Integer> oldLookups = new ArrayList<>();

    LayoutTableCutter(LayoutTable table, Cut cut, Predicate<String> wanted, boolean hasKernTable) {
        this.table = table;
        this.cut = cut;
        this.wanted = wanted;
        this.hasKernTable = hasKernTable;
        lookupNumbers = new int[table.lookupCount()];
    }

    /**
     * The table's bytes. Where no feature does anything any more its scripts stay all the same: shapers set scripts
     * that a font has in another way than those that it lacks, and marks in fonts without positioning on their own.
     */
    byte[] cut() {
        BitSet features = table.features(wanted);
        BitSet reached = NestedLookups.with(table, table.lookupsOf(features));
        cutLookups(reached);
        ScriptCutter scripts = new ScriptCutter(table, lookupNumbers, features, hasKernTable);
        Block featureList = scripts.features();
        return write(scripts, featureList, false)
                .or(() -> write(scripts, featureList, true))
                .orElseThrow(() ->
                        new FontException(table.tag(), -1, "has a lookup too large for its 16-bit offsets once cut"));
    }

    /**
     * Lookups that are not contextual come first. Whether a contextual lookup stays does not depend on the new numbers
     * of others, so each is cut once to see whether it stays, and again when all numbers are known.
     */
    private void cutLookups(BitSet reached) {
        Arrays.fill(lookupNumbers, -1);
        List<@Nullable List<Block>> plain = new ArrayList<>();
        BitSet left = new BitSet();
        for (int lookup = 0; lookup < table.lookupCount(); lookup++) {
            List<Block> subtables = reached.get(lookup) ? subtables(lookup, nested -> -1) : List.of();
            plain.add(subtables);
            left.set(lookup, !subtables.isEmpty());
        }
        left.stream()
                .forEach(lookup -> lookupNumbers[lookup] = left.get(0, lookup).cardinality());
        left.stream().forEach(lookup -> {
            boolean contextual = table.subtables(lookup).stream()
                    .anyMatch(subtable -> subtable.type().isContextual());
            oldLookups.add(lookup);
            lookups.add(contextual ? subtables(lookup, this::number) : plain.get(lookup));
        });
    }

    private int number(int lookup) {
        return lookup < lookupNumbers.length ? lookupNumbers[lookup] : -1;
    }

    private List<Block> subtables(int lookup, IntUnaryOperator numbers) {
        List<Block> blocks = new ArrayList<>();
        for (Lookup.Subtable subtable : table.subtables(lookup)) {
            cut.work().spend(1);
            Block block;
            if (subtable.type().isContextual()) {
                block = new ContextCutter(ContextSubtable.read(subtable, cut.work()), cut, numbers).cut();
            } else if (table.substitutes()) {
                block = new SubstitutionCutter(cut).cut(subtable);
            } else {
                block = new PositionCutter(cut).cut(subtable);
            }
            if (block != null) {
                blocks.add(block);
            }
        }
        return blocks;
    }

    /** With extensions, every subtable is packed by itself and reached by a 32-bit offset. */
    private Optional<byte[]> write(ScriptCutter scripts, Block featureList, boolean extensions) {
        Block list = new Block().u16(lookups.size());
        for (int i = 0; i < lookups.size(); i++) {
            Optional<Block> lookup = lookup(oldLookups.get(i), lookups.get(i), extensions);
            if (lookup.isEmpty()) {
                return Optional.empty();
            }
            list.link(lookup.get());
        }
        Block variations = scripts.variations();
        Block root = new Block().u16(1).u16(variations == null ? 0 : 1);
        root.link(scripts.scripts()).link(featureList).link(list);
        if (variations != null) {
            root.link32(variations);
        }
        return BlockPacker.pack(root);
    }

    private Optional<Block> lookup(int old, List<Block> subtables, boolean extensions) {
        Lookup before = table.lookup(old);
        int type = before.subtables().get(0).type().number(table.tag());
        int written = extensions ? LookupType.EXTENSION.number(table.tag()) : type;
        Block lookup = new Block().u16(written).u16(before.flag()).u16(subtables.size());
        for (Block subtable : subtables) {
            if (!extensions) {
                lookup.link(subtable);
                continue;
            }
            Optional<byte[]> packed = BlockPacker.pack(subtable);
            if (packed.isEmpty()) {
                return Optional.empty();
            }
            lookup.link(new Block().u16(EXTENSION_FORMAT).u16(type).link32(new Block().bytes(packed.get())));
        }
        before.markFilteringSet().ifPresent(lookup::u16);
        return Optional.of(lookup);
    }
}
