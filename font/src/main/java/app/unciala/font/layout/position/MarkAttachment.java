package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.packing.Block;
import org.jspecify.annotations.Nullable;

/**
 * Marks that are placed on base glyphs, on ligatures or on other marks (OpenType 1.9, "GPOS", lookup types 4 to 6). A mark
 * has an anchor and a class; what it is placed on has an anchor for each class, and a ligature for each of its components.
 */
public final class MarkAttachment {
    private static final int MARK_COVERAGE = 2;
    private static final int BASE_COVERAGE = 4;
    private static final int CLASS_COUNT = 6;
    private static final int MARK_ARRAY = 8;
    private static final int BASE_ARRAY = 10;

    /** Where records begin behind the count of an array. */
    private static final int RECORDS = 2;
    /** A class, then the offset to an anchor. */
    private static final int MARK_RECORD = 4;

    private static final int MARK_ANCHOR = 2;

    private final ByteView table;
    private final ByteView marks;
    private final ByteView bases;
    private final int classCount;
    private final Work work;

    private MarkAttachment(ByteView table, Work work) {
        this.table = table;
        this.work = work;
        marks = table.from(table.u16(MARK_ARRAY));
        bases = table.from(table.u16(BASE_ARRAY));
        classCount = table.u16(CLASS_COUNT);
    }

    public static MarkAttachment read(ByteView table, Work work) {
        return new MarkAttachment(table, work);
    }

    public Coverage markCoverage() {
        return Coverage.named(table, MARK_COVERAGE, work);
    }

    public Coverage baseCoverage() {
        return Coverage.named(table, BASE_COVERAGE, work);
    }

    /** Whether a mark of the coverage has a class and an anchor. */
    public boolean hasMark(int coverageIndex) {
        return coverageIndex < marks.u16(0) && markClass(coverageIndex) < classCount;
    }

    public int markClass(int coverageIndex) {
        return marks.u16(RECORDS + MARK_RECORD * coverageIndex);
    }

    public @Nullable Block markAnchor(int coverageIndex, Devices devices) {
        return Anchor.read(marks, RECORDS + MARK_RECORD * coverageIndex + MARK_ANCHOR, devices);
    }

    /** Whether a glyph or a ligature of the base coverage has anchors. */
    public boolean hasBase(int coverageIndex) {
        return coverageIndex < bases.u16(0);
    }

    /** The anchor of a glyph for a class of marks. */
    public @Nullable Block baseAnchor(int coverageIndex, int markClass, Devices devices) {
        return Anchor.read(bases, RECORDS + 2 * (coverageIndex * classCount + markClass), devices);
    }

    public int componentCount(int coverageIndex) {
        return ligature(coverageIndex).u16(0);
    }

    /** The anchor of a component of a ligature for a class of marks. */
    public @Nullable Block componentAnchor(int coverageIndex, int component, int markClass, Devices devices) {
        int at = RECORDS + 2 * (component * classCount + markClass);
        return Anchor.read(ligature(coverageIndex), at, devices);
    }

    private ByteView ligature(int coverageIndex) {
        return bases.from(bases.u16(RECORDS + 2 * coverageIndex));
    }
}
