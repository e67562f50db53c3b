package app.unciala.font.woff2;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HheaTable;
import app.unciala.font.table.HmtxTable;
import java.util.Optional;

/** The transform of {@code hmtx} (section 5.4): left side bearings that equal the glyph's xMin are left out. */
final class HmtxTransform {
    private static final int NO_PROPORTIONAL = 1;
    private static final int NO_MONOSPACE = 2;
    private static final int BOTH = NO_PROPORTIONAL | NO_MONOSPACE;

    private HmtxTransform() {}

    static byte[] undo(Sfnt face, ByteView data, int[] xMins) {
        int numberOfHMetrics = HheaTable.read(face).numberOfHMetrics();
        int flags = data.u8(0);
        if ((flags & BOTH) == 0 || (flags & ~BOTH) != 0) {
            throw new FontException("hmtx", 0, "has the invalid transform flags " + flags);
        }
        if (numberOfHMetrics == 0 || numberOfHMetrics > xMins.length) {
            throw new FontException(
                    "hhea",
                    HheaTable.NUMBER_OF_METRICS,
                    "gives " + numberOfHMetrics + " advances for " + xMins.length + " glyphs");
        }
        ByteCursor advances = new ByteCursor(data, 1);
        ByteCursor bearings = new ByteCursor(data, 1 + 2 * numberOfHMetrics);
        ByteSink out = new ByteSink(4 * xMins.length);
        for (int glyph = 0; glyph < xMins.length; glyph++) {
            boolean proportional = glyph < numberOfHMetrics;
            if (proportional) {
                out.u16(advances.u16());
            }
            boolean omitted = (flags & (proportional ? NO_PROPORTIONAL : NO_MONOSPACE)) != 0;
            out.u16(omitted ? xMins[glyph] : bearings.u16());
        }
        return out.toArray();
    }

    /** The transformed table, or nothing where no bearing can be left out. */
    static Optional<byte[]> apply(Sfnt face, int[] xMins) {
        ByteView plain = face.require("hmtx");
        int numberOfHMetrics = HheaTable.read(face).numberOfHMetrics();
        int[] bearings = HmtxTable.read(plain, numberOfHMetrics, xMins.length).leftSideBearings();
        int flags = BOTH;
        for (int glyph = 0; glyph < xMins.length; glyph++) {
            if (bearings[glyph] != xMins[glyph]) {
                flags &= ~(glyph < numberOfHMetrics ? NO_PROPORTIONAL : NO_MONOSPACE);
            }
        }
        if (numberOfHMetrics == xMins.length) {
            flags &= ~NO_MONOSPACE;
        }
        if (flags == 0) {
            return Optional.empty();
        }
        ByteSink out = new ByteSink(plain.length());
        out.u8(flags);
        for (int glyph = 0; glyph < numberOfHMetrics; glyph++) {
            out.u16(plain.u16(4 * glyph));
        }
        for (int glyph = 0; glyph < xMins.length; glyph++) {
            if ((flags & (glyph < numberOfHMetrics ? NO_PROPORTIONAL : NO_MONOSPACE)) == 0) {
                out.u16(bearings[glyph]);
            }
        }
        return Optional.of(out.toArray());
    }
}
