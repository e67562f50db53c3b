package app.unciala.font.drawing;

import app.unciala.font.FontException;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import java.util.OptionalDouble;

/** Whether letters stand on serifs, from their drawing. */
public final class Serifs {
    private Serifs() {}

    /**
     * How much wider the capital I is at its foot than in its middle: about 1 without serifs. Empty for a face that has
     * no I, or draws none.
     *
     * @throws FontException if the outline is damaged
     */
    public static OptionalDouble footOfCapitalI(Sfnt face) {
        CmapTable cmap = CmapTable.read(face);
        if (!cmap.has('I')) {
            return OptionalDouble.empty();
        }
        CoverageGrid letter = CoverageGrid.of(
                OutlineReader.read(face).outline(cmap.glyph('I')),
                HeadTable.read(face).unitsPerEm());
        int top = CoverageGrid.CELLS_TO_EM;
        while (top > 0 && letter.inkInRow(top - 1) == 0) {
            top--;
        }
        double middle = letter.inkInRow(top / 2);
        double foot = Math.max(letter.inkInRow(0), letter.inkInRow(1));
        return middle == 0 ? OptionalDouble.empty() : OptionalDouble.of(foot / middle);
    }
}
