package app.unciala.font.subset;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.table.KernWriter;
import java.util.BitSet;
import java.util.Optional;

/** Cuts the pairs of {@code kern} version 0, format 0, the kind that is still read; other subtables go. */
final class KernCutter {
    private static final int HEADER = 14;

    private KernCutter() {}

    /** The table for the glyphs text can come to, or nothing when no pair is left. */
    static Optional<byte[]> cut(ByteView kern, BitSet inText, GlyphMap map) {
        if (kern.u16(0) != 0) {
            return Optional.empty();
        }
        ByteSink subtables = new ByteSink();
        int count = 0;
        int at = 4;
        for (int i = 0; i < kern.u16(2) && at + HEADER <= kern.length(); i++) {
            int pairs = kern.u16(at + 6);
            if (kern.u8(at + 4) == 0) {
                ByteSink kept = new ByteSink();
                for (int pair = 0; pair < pairs; pair++) {
                    int record = at + HEADER + 6 * pair;
                    int left = kern.u16(record);
                    int right = kern.u16(record + 2);
                    if (inText.get(left) && inText.get(right)) {
                        kept.u16(map.after(left)).u16(map.after(right)).u16(kern.u16(record + 4));
                    }
                }
                if (kept.size() > 0) {
                    subtables.bytes(KernWriter.subtable(kern.u16(at + 4), kept));
                    count++;
                }
            }
            // The length has 16 bits, which large tables overflow; the pairs say how long it is.
            at += kern.u8(at + 4) == 0 ? HEADER + 6 * pairs : Math.max(HEADER, kern.u16(at + 2));
        }
        return count == 0 ? Optional.empty() : Optional.of(KernWriter.table(count, subtables));
    }
}
