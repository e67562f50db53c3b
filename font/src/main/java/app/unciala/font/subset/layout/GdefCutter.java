package app.unciala.font.subset.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.GdefTable;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.position.Devices;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Cuts {@code GDEF} (OpenType 1.9): glyph classes, attachment points, ligature carets, mark glyph sets. */
final class GdefCutter {
    /** Of a list of a table for each glyph: its coverage, how many there are, and their offsets. */
    private static final int LIST_COVERAGE = 0;

    private static final int LIST_COUNT = 2;
    private static final int LIST_OFFSETS = 4;

    /** Of the mark glyph sets: their format, how many there are, and the offsets to their coverages, of 32 bits. */
    private static final int SETS_FORMAT = 1;

    private static final int SET_COUNT = 2;
    private static final int SET_OFFSETS = 4;

    /** Formats of a caret: a place in font units, and one with a device table. */
    private static final int PLACE = 1;

    private static final int PLACE_WITH_DEVICE = 3;
    private static final int CARET_PLACE = 2;
    private static final int CARET_DEVICE = 4;
    private static final int CARET_LENGTH = 4;

    private final GdefTable gdef;
    private final Cut cut;

    GdefCutter(GdefTable gdef, Cut cut) {
        this.gdef = gdef;
        this.cut = cut;
    }

    /** The table, or nothing when it says nothing of the glyphs that are left; to be called after {@code GPOS} is cut. */
    @Nullable
    Block cut() {
        Block classes = classes(gdef.glyphClasses());
        if (classes == null && gdef.glyphClasses() != 0) {
            // With no classes at all, shapers would take marks for marks that the font has as letters.
            classes = ClassDef.write(Collections.emptySortedMap());
        }
        Block attach = attachments();
        Block carets = carets();
        Block markClasses = classes(gdef.markClasses());
        Block markSets = markSets();
        Block store = cut.devices().variationStore();
        if (classes == null
                && attach == null
                && carets == null
                && markClasses == null
                && markSets == null
                && store == null) {
            return null;
        }
        Block block = new Block().u16(1).u16(store != null ? 3 : markSets != null ? 2 : 0);
        block.link(classes).link(attach).link(carets).link(markClasses);
        if (store != null || markSets != null) {
            block.link(markSets);
        }
        return store == null ? block : block.link32(store);
    }

    private @Nullable Block classes(int offset) {
        return offset == 0 ? null : cut.cutClasses(ClassDef.of(gdef.table(), offset));
    }

    /** The contour points of each glyph that others are attached to. */
    private @Nullable Block attachments() {
        return perGlyph(
                gdef.attachmentPoints(),
                points -> new Block().u16(points.u16(0)).u16s(points.u16s(2, points.u16(0))));
    }

    private @Nullable Block carets() {
        return perGlyph(gdef.ligatureCarets(), ligature -> {
            Block block = new Block().u16(ligature.u16(0));
            for (int offset : ligature.u16s(2, ligature.u16(0))) {
                block.link(caret(ligature.from(offset)));
            }
            return block;
        });
    }

    private Block caret(ByteView caret) {
        if (caret.u16(0) != PLACE_WITH_DEVICE) {
            return new Block().bytes(caret.slice(0, CARET_LENGTH));
        }
        Devices.Adjusted place = cut.devices().adjust(caret.i16(CARET_PLACE), caret, CARET_DEVICE);
        return place.device() == null
                ? new Block().u16(PLACE).u16(place.value())
                : new Block().u16(PLACE_WITH_DEVICE).u16(place.value()).link(place.device());
    }

    /** A list of one table for each covered glyph: coverage, count, offsets. */
    private @Nullable Block perGlyph(int offset, Function<ByteView, Block> cutOne) {
        if (offset == 0) {
            return null;
        }
        ByteView list = gdef.table().from(offset);
        int[] offsets = list.u16s(LIST_OFFSETS, list.u16(LIST_COUNT));
        BitSet covered = new BitSet();
        List<Block> blocks = new ArrayList<>();
        Coverage.named(list, LIST_COVERAGE, cut.work()).forEach(cut.glyphs(), (glyph, index) -> {
            if (index < offsets.length) {
                covered.set(glyph);
                blocks.add(cutOne.apply(list.from(offsets[index])));
            }
        });
        if (blocks.isEmpty()) {
            return null;
        }
        Block block = new Block().link(cut.coverage(covered)).u16(blocks.size());
        blocks.forEach(block::link);
        return block;
    }

    /** Lookups name the sets by number, so every set stays, even an empty one. */
    private @Nullable Block markSets() {
        if (gdef.markGlyphSets() == 0) {
            return null;
        }
        ByteView sets = gdef.table().from(gdef.markGlyphSets());
        int count = sets.u16(SET_COUNT);
        Block block = new Block().u16(SETS_FORMAT).u16(count);
        for (int i = 0; i < count; i++) {
            Coverage set = Coverage.of(sets, sets.offset32(SET_OFFSETS + 4 * i), cut.work());
            block.link32(cut.coverage(cut.covered(set)));
        }
        return block;
    }
}
