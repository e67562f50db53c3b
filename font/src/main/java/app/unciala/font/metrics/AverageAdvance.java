package app.unciala.font.metrics;

import app.unciala.font.FontException;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HmtxTable;

/**
 * The average advance of running text in Latin letters: of the lowercase letters and the space, each counted as often as it
 * comes in a thousand letters of English. Kerning and capitals change the average by less than faces differ.
 */
public final class AverageAdvance {
    private static final String LETTERS = "abcdefghijklmnopqrstuvwxyz ";
    private static final int[] OFTEN = {
        82, 15, 28, 43, 127, 22, 20, 61, 70, 2, 8, 40, 24, 67, 75, 19, 1, 60, 63, 91, 28, 10, 24, 2, 20, 1, 195
    };

    private AverageAdvance() {}

    /**
     * The average advance in ems; letters that the face lacks are left out of the average.
     *
     * @throws FontException if the face has none of the letters
     */
    public static double of(Sfnt face) {
        CmapTable cmap = CmapTable.read(face);
        int[] advances = HmtxTable.read(face).advances();
        long sum = 0;
        int weight = 0;
        for (int i = 0; i < OFTEN.length; i++) {
            int glyph = cmap.glyph(LETTERS.charAt(i));
            if (glyph > 0 && glyph < advances.length) {
                sum += (long) OFTEN[i] * advances[glyph];
                weight += OFTEN[i];
            }
        }
        if (sum == 0) {
            throw new FontException("cmap", -1, "has no Latin letters to measure text by");
        }
        return sum / (double) weight / HeadTable.read(face).unitsPerEm();
    }
}
