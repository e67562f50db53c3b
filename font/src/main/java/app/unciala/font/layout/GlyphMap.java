package app.unciala.font.layout;

import java.util.BitSet;

/** Which glyphs a cut keeps, and the numbers they have afterwards. */
public final class GlyphMap {
    private final BitSet kept;
    private final int[] oldByNew;
    private final int[] newByOld;

    private GlyphMap(BitSet kept, int numGlyphs, boolean closeRanks) {
        this.kept = (BitSet) kept.clone();
        newByOld = new int[numGlyphs];
        oldByNew = closeRanks ? this.kept.stream().toArray() : new int[numGlyphs];
        java.util.Arrays.fill(newByOld, -1);
        for (int i = 0; i < oldByNew.length; i++) {
            if (!closeRanks) {
                oldByNew[i] = i;
            }
            newByOld[oldByNew[i]] = i;
        }
    }

    /** Glyphs move up to fill the gaps, in the order they had. */
    public static GlyphMap renumbering(BitSet kept, int numGlyphs) {
        return new GlyphMap(kept, numGlyphs, true);
    }

    /** Glyphs keep their numbers, and those not kept stay as empty places. */
    public static GlyphMap inPlace(BitSet kept, int numGlyphs) {
        return new GlyphMap(kept, numGlyphs, false);
    }

    /** The glyphs kept, by their old numbers; not to be changed. */
    public BitSet kept() {
        return kept;
    }

    /** How many glyphs the face has afterwards. */
    public int size() {
        return oldByNew.length;
    }

    /** The number that glyph {@code now} had before. */
    public int before(int now) {
        return oldByNew[now];
    }

    /** The number of a kept glyph afterwards, or -1 for one that is not kept. */
    public int after(int before) {
        return before >= 0 && before < newByOld.length && kept.get(before) ? newByOld[before] : -1;
    }
}
