package app.unciala.font.subset;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.table.KernTable;
import app.unciala.font.table.KernWriter;
import java.util.BitSet;
import java.util.Optional;

/** Cuts the pairs of {@code kern}; subtables of other formats than 0 go. */
final class KernCutter {
    private KernCutter() {}

    /** The table for the glyphs text can come to, or nothing when no pair is left. */
    static Optional<byte[]> cut(KernTable kern, BitSet inText, GlyphMap map) {
        ByteSink subtables = new ByteSink();
        int count = 0;
        for (KernTable.Subtable subtable : kern.subtables()) {
            ByteSink kept = new ByteSink();
            for (int pair = 0; pair < subtable.count(); pair++) {
                int left = subtable.left(pair);
                int right = subtable.right(pair);
                if (inText.get(left) && inText.get(right)) {
                    kept.u16(map.after(left)).u16(map.after(right)).u16(subtable.value(pair));
                }
            }
            if (kept.size() > 0) {
                subtables.bytes(KernWriter.subtable(subtable.coverage(), kept));
                count++;
            }
        }
        return count == 0 ? Optional.empty() : Optional.of(KernWriter.table(count, subtables));
    }
}
