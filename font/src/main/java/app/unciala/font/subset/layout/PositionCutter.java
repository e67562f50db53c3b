package app.unciala.font.subset.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.Lookup;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.position.ClassPairs;
import app.unciala.font.layout.position.CursiveAttachment;
import app.unciala.font.layout.position.GlyphPairs;
import app.unciala.font.layout.position.MarkAttachment;
import app.unciala.font.layout.position.SingleAdjustment;
import app.unciala.font.layout.position.ValueRecord;
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
    Block cut(Lookup.Subtable subtable) {
        ByteView table = subtable.bytes();
        return switch (subtable.type()) {
            case SINGLE_ADJUSTMENT -> single(new SingleAdjustment(table, cut.work()));
            case PAIR_ADJUSTMENT ->
                table.u16(0) == GlyphPairs.FORMAT
                        ? pairs(new GlyphPairs(table, cut.work()))
                        : new ClassPairCutter(cut).cut(new ClassPairs(table, cut.work()));
            case CURSIVE_ATTACHMENT -> cursive(new CursiveAttachment(table, cut.work()));
            case MARK_TO_BASE, MARK_TO_MARK -> marks(table).marksOnGlyphs();
            case MARK_TO_LIGATURE -> marks(table).marksOnLigatures();
            default -> throw new IllegalArgumentException(subtable.type() + " is no adjustment");
        };
    }

    private MarkCutter marks(ByteView table) {
        return new MarkCutter(MarkAttachment.read(table, cut.work()), cut);
    }

    private @Nullable Block single(SingleAdjustment table) {
        BitSet covered = new BitSet();
        List<ValueRecord> values = new ArrayList<>();
        table.coverage().forEach(cut.glyphs(), (glyph, index) -> {
            covered.set(glyph);
            values.add(table.value(index, cut.devices()));
        });
        if (values.isEmpty()) {
            return null;
        }
        int needed = values.stream().mapToInt(ValueRecord::format).reduce(0, (a, b) -> a | b);
        boolean same = values.stream().map(ValueRecord::content).distinct().count() == 1;
        Block block = new Block()
                .u16(same ? SingleAdjustment.SAME_FOR_ALL : SingleAdjustment.LISTED)
                .link(cut.coverage(covered))
                .u16(needed);
        if (same) {
            values.get(0).write(block, needed);
        } else {
            block.u16(values.size());
            values.forEach(value -> value.write(block, needed));
        }
        return block;
    }

    /** A second glyph under its new number, and the values of both glyphs. */
    private record Pair(int second, ValueRecord first, ValueRecord other) {}

    private @Nullable Block pairs(GlyphPairs table) {
        BitSet covered = new BitSet();
        List<List<Pair>> sets = new ArrayList<>();
        table.coverage().forEach(cut.glyphs(), (glyph, index) -> {
            List<Pair> set = table.pairs(index).map(this::kept).orElse(List.of());
            if (!set.isEmpty()) {
                covered.set(glyph);
                sets.add(set);
            }
        });
        if (sets.isEmpty()) {
            return null;
        }
        int firstFormat = 0;
        int secondFormat = 0;
        for (List<Pair> set : sets) {
            for (Pair pair : set) {
                firstFormat |= pair.first().format();
                secondFormat |= pair.other().format();
            }
        }
        secondFormat = ValueRecord.secondFormat(secondFormat, table.secondFormat());
        Block block = new Block()
                .u16(GlyphPairs.FORMAT)
                .link(cut.coverage(covered))
                .u16(firstFormat)
                .u16(secondFormat)
                .u16(sets.size());
        for (List<Pair> set : sets) {
            Block written = new Block().u16(set.size());
            for (Pair pair : set) {
                written.u16(pair.second());
                pair.first().write(written, firstFormat);
                pair.other().write(written, secondFormat);
            }
            block.link(written);
        }
        return block;
    }

    private List<Pair> kept(GlyphPairs.PairSet set) {
        List<Pair> pairs = new ArrayList<>();
        cut.work().spend(set.count());
        for (int i = 0; i < set.count(); i++) {
            int second = cut.after(set.secondGlyph(i));
            if (second >= 0) {
                pairs.add(new Pair(second, set.first(i, cut.devices()), set.second(i, cut.devices())));
            }
        }
        return pairs;
    }

    private @Nullable Block cursive(CursiveAttachment table) {
        BitSet covered = new BitSet();
        List<@Nullable Block> anchors = new ArrayList<>();
        table.coverage().forEach(cut.glyphs(), (glyph, index) -> {
            covered.set(glyph);
            anchors.add(table.entry(index, cut.devices()));
            anchors.add(table.exit(index, cut.devices()));
        });
        if (anchors.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(1).link(cut.coverage(covered)).u16(anchors.size() / 2);
        anchors.forEach(block::link);
        return block;
    }
}
