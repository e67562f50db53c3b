package app.unciala.font.subset.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.Anchor;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.packing.Block;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Cuts attachments of marks to bases, to ligatures and to other marks, with the mark classes that are left. */
final class MarkCutter {
    private final Cut cut;

    MarkCutter(Cut cut) {
        this.cut = cut;
    }

    /** The kept marks of a subtable: their coverage, their array, and the old classes they are in. */
    private record Marks(BitSet covered, Block array, BitSet classes) {}

    @Nullable
    Block marksOnGlyphs(ByteView table) {
        Marks marks = marks(table);
        BitSet bases = new BitSet();
        List<@Nullable Block> anchors = new ArrayList<>();
        ByteView array = table.from(table.u16(10));
        int classCount = table.u16(6);
        Coverage.of(table, table.u16(4), cut.work()).forEach(cut.glyphs(), (glyph, index) -> {
            if (index < array.u16(0)) {
                bases.set(glyph);
                anchors.addAll(anchors(array, 2 + 2 * index * classCount, marks.classes()));
            }
        });
        if (marks.covered().isEmpty() || bases.isEmpty()) {
            return null;
        }
        Block baseArray = new Block().u16(bases.cardinality());
        anchors.forEach(baseArray::link);
        return subtable(marks, bases, baseArray);
    }

    @Nullable
    Block marksOnLigatures(ByteView table) {
        Marks marks = marks(table);
        BitSet ligatures = new BitSet();
        List<Block> attaches = new ArrayList<>();
        ByteView array = table.from(table.u16(10));
        int classCount = table.u16(6);
        Coverage.of(table, table.u16(4), cut.work()).forEach(cut.glyphs(), (glyph, index) -> {
            if (index < array.u16(0)) {
                ByteView attach = array.from(array.u16(2 + 2 * index));
                int components = attach.u16(0);
                Block written = new Block().u16(components);
                for (int i = 0; i < components; i++) {
                    anchors(attach, 2 + 2 * i * classCount, marks.classes()).forEach(written::link);
                }
                ligatures.set(glyph);
                attaches.add(written);
            }
        });
        if (marks.covered().isEmpty() || ligatures.isEmpty()) {
            return null;
        }
        Block ligatureArray = new Block().u16(attaches.size());
        attaches.forEach(ligatureArray::link);
        return subtable(marks, ligatures, ligatureArray);
    }

    private Block subtable(Marks marks, BitSet bases, Block baseArray) {
        return new Block()
                .u16(1)
                .link(cut.coverage(marks.covered()))
                .link(cut.coverage(bases))
                .u16(marks.classes().cardinality())
                .link(marks.array())
                .link(baseArray);
    }

    private Marks marks(ByteView table) {
        ByteView array = table.from(table.u16(8));
        int classCount = table.u16(6);
        BitSet covered = new BitSet();
        List<Integer> records = new ArrayList<>();
        BitSet classes = new BitSet();
        Coverage.of(table, table.u16(2), cut.work()).forEach(cut.glyphs(), (glyph, index) -> {
            int record = 2 + 4 * index;
            if (index < array.u16(0) && array.u16(record) < classCount) {
                covered.set(glyph);
                records.add(record);
                classes.set(array.u16(record));
            }
        });
        Block written = new Block().u16(records.size());
        for (int record : records) {
            written.u16(classes.get(0, array.u16(record)).cardinality());
            written.link(Anchor.cut(array, record + 2, cut.devices()));
        }
        return new Marks(covered, written, classes);
    }

    /** The anchors for the kept classes out of a row of offsets at {@code at}. */
    private List<@Nullable Block> anchors(ByteView parent, int at, BitSet classes) {
        cut.work().spend(classes.cardinality());
        List<@Nullable Block> anchors = new ArrayList<>();
        classes.stream().forEach(of -> anchors.add(Anchor.cut(parent, at + 2 * of, cut.devices())));
        return anchors;
    }
}
