package app.unciala.core.font.subset;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import java.util.BitSet;

/** A coverage table (OpenType 1.9, "Common table formats"): glyphs and the number each has in its lookup. */
final class Coverage {
    private final ByteView table;

    private Coverage(ByteView table) {
        this.table = table;
    }

    /** Takes a covered glyph and its coverage index. */
    interface Visitor {
        void covered(int glyph, int index);
    }

    static Coverage of(ByteView table) {
        if (table.u16(0) != 1 && table.u16(0) != 2) {
            throw new FontException(table.table(), -1, "has a coverage of unknown format " + table.u16(0));
        }
        return new Coverage(table);
    }

    /** Visits the covered glyphs that are also among {@code glyphs}. */
    void forEach(BitSet glyphs, Visitor visitor) {
        int count = table.u16(2);
        if (table.u16(0) == 1) {
            for (int index = 0; index < count; index++) {
                visit(glyphs, table.u16(4 + 2 * index), index, visitor);
            }
            return;
        }
        for (int i = 0; i < count; i++) {
            int first = table.u16(4 + 6 * i);
            int last = table.u16(6 + 6 * i);
            int index = table.u16(8 + 6 * i);
            for (int glyph = first; glyph <= last; glyph++) {
                visit(glyphs, glyph, index + glyph - first, visitor);
            }
        }
    }

    private static void visit(BitSet glyphs, int glyph, int index, Visitor visitor) {
        if (glyphs.get(glyph)) {
            visitor.covered(glyph, index);
        }
    }
}
