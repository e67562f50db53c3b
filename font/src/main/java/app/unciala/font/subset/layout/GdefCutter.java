package app.unciala.font.subset.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.Devices;
import app.unciala.font.layout.packing.Block;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Cuts {@code GDEF} (OpenType 1.9): glyph classes, attachment points, ligature carets, mark sets. */
final class GdefCutter {
    private final ByteView gdef;
    private final Cut cut;

    GdefCutter(ByteView gdef, Cut cut) {
        this.gdef = gdef;
        this.cut = cut;
    }

    /** The table, or nothing when it says nothing of the glyphs that are left; to be called after {@code GPOS} is cut. */
    @Nullable
    Block cut() {
        int minor = gdef.u16(2);
        Block classes = cut.cutClasses(gdef, gdef.u16(4));
        if (classes == null && gdef.u16(4) != 0) {
            // With no classes at all, shapers would take marks for marks that the font has as letters.
            classes = ClassDef.write(Collections.emptySortedMap());
        }
        Block attach = attachments(gdef.u16(6));
        Block carets = carets(gdef.u16(8));
        Block markClasses = cut.cutClasses(gdef, gdef.u16(10));
        Block markSets = minor >= 2 ? markSets(gdef.u16(12)) : null;
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

    private @Nullable Block attachments(int offset) {
        return perGlyph(offset, points -> new Block().bytes(points.slice(0, 2 + 2 * points.u16(0))));
    }

    private @Nullable Block carets(int offset) {
        return perGlyph(offset, ligature -> {
            Block block = new Block().u16(ligature.u16(0));
            for (int i = 0; i < ligature.u16(0); i++) {
                block.link(caret(ligature.from(ligature.u16(2 + 2 * i))));
            }
            return block;
        });
    }

    private Block caret(ByteView caret) {
        if (caret.u16(0) != 3) {
            return new Block().bytes(caret.slice(0, 4));
        }
        Devices.Adjusted place = cut.devices().adjust(caret.i16(2), caret, 4);
        return place.device() == null
                ? new Block().u16(1).u16(place.value())
                : new Block().u16(3).u16(place.value()).link(place.device());
    }

    private interface PerGlyph {
        Block cut(ByteView of);
    }

    /** A list of one table for each covered glyph: coverage, count, offsets. */
    private @Nullable Block perGlyph(int offset, PerGlyph rule) {
        if (offset == 0) {
            return null;
        }
        ByteView list = gdef.from(offset);
        BitSet covered = new BitSet();
        List<Block> blocks = new ArrayList<>();
        Coverage.of(list, list.u16(0), cut.work()).forEach(cut.glyphs(), (glyph, index) -> {
            if (index < list.u16(2)) {
                covered.set(glyph);
                blocks.add(rule.cut(list.from(list.u16(4 + 2 * index))));
            }
        });
        if (blocks.isEmpty()) {
            return null;
        }
        Block block = new Block().link(cut.coverage(covered)).u16(blocks.size());
        blocks.forEach(block::link);
        return block;
    }

    /** Lookups name the sets by number, so every set stays, if empty. */
    private @Nullable Block markSets(int offset) {
        if (offset == 0) {
            return null;
        }
        ByteView sets = gdef.from(offset);
        Block block = new Block().u16(1).u16(sets.u16(2));
        for (int i = 0; i < sets.u16(2); i++) {
            Block set = cut.cutCoverage(sets, sets.offset32(4 + 4 * i));
            block.link32(set == null ? Coverage.write(new BitSet()) : set);
        }
        return block;
    }
}
