package app.unciala.font.subset.layout;

import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.position.MarkAttachment;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Cuts attachments of marks to bases, to ligatures and to other marks, with the mark classes that are left. */
final class MarkCutter {
    private static final int FORMAT = 1;

    private final MarkAttachment table;
    private final Cut cut;

    MarkCutter(MarkAttachment table, Cut cut) {
        this.table = table;
        this.cut = cut;
    }

    /** The kept marks of a subtable: their coverage, their array, and the old classes they are in. */
    private record Marks(BitSet covered, Block array, BitSet classes) {}

    /** An anchor for a class of marks. */
    private interface Anchors {
        @Nullable
        Block of(int markClass);
    }

    @Nullable
    Block marksOnGlyphs() {
        Marks marks = marks();
        BitSet bases = new BitSet();
        List<@Nullable Block> anchors = new ArrayList<>();
        table.baseCoverage().forEach(cut.glyphs(), (glyph, index) -> {
            if (table.hasBase(index)) {
                bases.set(glyph);
                anchors.addAll(anchors(marks.classes(), of -> table.baseAnchor(index, of, cut.devices())));
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
    Block marksOnLigatures() {
        Marks marks = marks();
        BitSet ligatures = new BitSet();
        List<Block> attaches = new ArrayList<>();
        table.baseCoverage().forEach(cut.glyphs(), (glyph, index) -> {
            if (table.hasBase(index)) {
                int components = table.componentCount(index);
                Block written = new Block().u16(components);
                for (int i = 0; i < components; i++) {
                    int component = i;
                    anchors(marks.classes(), of -> table.componentAnchor(index, component, of, cut.devices()))
                            .forEach(written::link);
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
                .u16(FORMAT)
                .link(cut.coverage(marks.covered()))
                .link(cut.coverage(bases))
                .u16(marks.classes().cardinality())
                .link(marks.array())
                .link(baseArray);
    }

    private Marks marks() {
        BitSet covered = new BitSet();
        List<Integer> indices = new ArrayList<>();
        BitSet classes = new BitSet();
        table.markCoverage().forEach(cut.glyphs(), (glyph, index) -> {
            if (table.hasMark(index)) {
                covered.set(glyph);
                indices.add(index);
                classes.set(table.markClass(index));
            }
        });
        Block written = new Block().u16(indices.size());
        for (int index : indices) {
            written.u16(classes.get(0, table.markClass(index)).cardinality());
            written.link(table.markAnchor(index, cut.devices()));
        }
        return new Marks(covered, written, classes);
    }

    /** The anchors for the kept classes. */
    private List<@Nullable Block> anchors(BitSet classes, Anchors anchors) {
        cut.work().spend(classes.cardinality());
        List<@Nullable Block> kept = new ArrayList<>();
        classes.stream().forEach(of -> kept.add(anchors.of(of)));
        return kept;
    }
}
