package app.unciala.font.subset.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.Anchor;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.ValueRecord;
import app.unciala.font.layout.packing.Block;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Cuts the subtables of {@code GPOS} that are not contextual (OpenType 1.9, "GPOS", lookup types 1 to 6). */
final class PositionCutter {
    private final Cut cut;

    PositionCutter(Cut cut) {
        this.cut = cut;
    }

    /** The subtable, or nothing when it moves nothing any more. */
    @Nullable
    Block cut(LayoutTable.Subtable subtable) {
        ByteView table = subtable.bytes();
        return switch (subtable.type()) {
            case 1 -> single(table);
            case 2 -> table.u16(0) == 1 ? pairs(table) : new ClassPairCutter(cut).cut(table);
            case 3 -> cursive(table);
            case 4, 6 -> new MarkCutter(cut).marksOnGlyphs(table);
            case 5 -> new MarkCutter(cut).marksOnLigatures(table);
            default -> throw new FontException("GPOS", -1, "has a lookup of unknown type " + subtable.type());
        };
    }

    private @Nullable Block single(ByteView table) {
        int format = table.u16(4);
        boolean listed = table.u16(0) == 2;
        BitSet covered = new BitSet();
        List<ValueRecord> values = new ArrayList<>();
        coverage(table).forEach(cut.glyphs(), (glyph, index) -> {
            covered.set(glyph);
            int at = listed ? 8 + index * ValueRecord.size(format) : 6;
            values.add(ValueRecord.read(table, at, format, cut.devices()));
        });
        if (values.isEmpty()) {
            return null;
        }
        int needed = values.stream().mapToInt(ValueRecord::format).reduce(0, (a, b) -> a | b);
        boolean same = values.stream().map(ValueRecord::content).distinct().count() == 1;
        Block block = new Block().u16(same ? 1 : 2).link(cut.coverage(covered)).u16(needed);
        if (same) {
            values.get(0).write(block, needed);
        } else {
            block.u16(values.size());
            values.forEach(value -> value.write(block, needed));
        }
        return block;
    }

    /** What a second glyph moves: its new number, and the values of both glyphs. */
    private record Pair(int second, ValueRecord first, ValueRecord other) {}

    private @Nullable Block pairs(ByteView table) {
        int format1 = table.u16(4);
        int format2 = table.u16(6);
        BitSet covered = new BitSet();
        List<List<Pair>> sets = new ArrayList<>();
        coverage(table).forEach(cut.glyphs(), (glyph, index) -> {
            if (index < table.u16(8)) {
                List<Pair> set = pairSet(table.from(table.u16(10 + 2 * index)), format1, format2);
                if (!set.isEmpty()) {
                    covered.set(glyph);
                    sets.add(set);
                }
            }
        });
        if (sets.isEmpty()) {
            return null;
        }
        int needed1 = 0;
        int needed2 = 0;
        for (List<Pair> set : sets) {
            for (Pair pair : set) {
                needed1 |= pair.first().format();
                needed2 |= pair.other().format();
            }
        }
        needed2 = ValueRecord.secondFormat(needed2, format2);
        Block block = new Block()
                .u16(1)
                .link(cut.coverage(covered))
                .u16(needed1)
                .u16(needed2)
                .u16(sets.size());
        for (List<Pair> set : sets) {
            Block written = new Block().u16(set.size());
            for (Pair pair : set) {
                written.u16(pair.second());
                pair.first().write(written, needed1);
                pair.other().write(written, needed2);
            }
            block.link(written);
        }
        return block;
    }

    private List<Pair> pairSet(ByteView set, int format1, int format2) {
        int size1 = ValueRecord.size(format1);
        int size = 2 + size1 + ValueRecord.size(format2);
        List<Pair> pairs = new ArrayList<>();
        int count = set.u16(0);
        cut.work().spend(count);
        for (int i = 0; i < count; i++) {
            int at = 2 + i * size;
            int second = cut.after(set.u16(at));
            if (second >= 0) {
                pairs.add(new Pair(
                        second,
                        ValueRecord.read(set, at + 2, format1, cut.devices()),
                        ValueRecord.read(set, at + 2 + size1, format2, cut.devices())));
            }
        }
        return pairs;
    }

    private @Nullable Block cursive(ByteView table) {
        BitSet covered = new BitSet();
        List<@Nullable Block> anchors = new ArrayList<>();
        coverage(table).forEach(cut.glyphs(), (glyph, index) -> {
            covered.set(glyph);
            anchors.add(Anchor.cut(table, 6 + 4 * index, cut.devices()));
            anchors.add(Anchor.cut(table, 8 + 4 * index, cut.devices()));
        });
        if (anchors.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(1).link(cut.coverage(covered)).u16(anchors.size() / 2);
        anchors.forEach(block::link);
        return block;
    }

    private Coverage coverage(ByteView table) {
        return Coverage.of(table, table.u16(2), cut.work());
    }
}
