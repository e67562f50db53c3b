package app.unciala.font.layout;

import java.util.Arrays;
import java.util.BitSet;

/** Which glyphs a cut keeps, and the numbers they have afterwards. */
public final class GlyphMap {
    private final BitSet kept;
    private final int[] oldByNew;
    private final int[] newByOld;

    private GlyphMap(BitSet kept, int numGlyphs, boolean renumber) {
        this.kept = (BitSet) kept.clone();
        newByOld = new int[numGlyphs];
        oldByNew = renumber ? this.kept.stream().toArray() : new int[numGlyphs];
        Arrays.fill(newByOld, -1);
        for (int i = 0; i < oldByNew.length; i++) {
            if (!renumber) {
                oldByNew[i] = i;
            }
            newByOld[oldByNew[i]] = i;
        }
    }

    /** Kept glyphs are numbered from 0 on, in the order they had. */
    public static GlyphMap renumbering(BitSet kept, int numGlyphs) {
        return new GlyphMap(kept, numGlyphs, true);
    }

    /** All glyphs keep their numbers; those that are not kept become empty. */
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
