package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.Coverage;

/**
 * Adjustments of pairs by classes of glyphs (OpenType 1.9, "GPOS", lookup type 2, format 2): a matrix with a row for each
 * class of first glyphs and a column for each class of second glyphs.
 */
public record ClassPairs(ByteView table, Work work) {
    public static final int FORMAT = 2;

    private static final int COVERAGE = 2;
    private static final int FIRST_FORMAT = 4;
    private static final int SECOND_FORMAT = 6;
    private static final int FIRST_CLASSES = 8;
    private static final int SECOND_CLASSES = 10;
    private static final int ROW_COUNT = 12;
    private static final int COLUMN_COUNT = 14;
    private static final int MATRIX = 16;

    /** The glyphs that may come first. */
    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    /** Which values second glyphs have, by the bits of a value format. */
    public int secondFormat() {
        return table.u16(SECOND_FORMAT);
    }

    public ClassDef firstClasses() {
        return ClassDef.named(table, FIRST_CLASSES);
    }

    public ClassDef secondClasses() {
        return ClassDef.named(table, SECOND_CLASSES);
    }

    public int rowCount() {
        return table.u16(ROW_COUNT);
    }

    public int columnCount() {
        return table.u16(COLUMN_COUNT);
    }

    public ValueRecord first(int row, int column, Devices devices) {
        return ValueRecord.read(table, at(row, column), table.u16(FIRST_FORMAT), devices);
    }

    public ValueRecord second(int row, int column, Devices devices) {
        int at = at(row, column) + ValueRecord.size(table.u16(FIRST_FORMAT));
        return ValueRecord.read(table, at, secondFormat(), devices);
    }

    private int at(int row, int column) {
        int size = ValueRecord.size(table.u16(FIRST_FORMAT)) + ValueRecord.size(secondFormat());
        return MATRIX + (row * columnCount() + column) * size;
    }
}
