package app.unciala.font.sanitizer;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.SearchRange;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.KernWriter;
import java.util.Optional;

/** {@code kern} of version 0: its subtables lie one after the other within it. */
final class KernCheck {
    private static final int HEADER = 6;

    private KernCheck() {}

    static void kern(Sfnt face, Findings findings) {
        Optional<ByteView> table = face.table("kern").filter(kern -> kern.u16(0) == 0);
        if (table.isEmpty()) {
            return;
        }
        ByteView kern = table.get();
        int at = 4;
        for (int i = 0; i < kern.u16(2); i++) {
            int length = kern.u16(at + 2);
            if (kern.u16(at) > 0) {
                return;
            }
            if (at + length > kern.length()) {
                findings.add("kern", "has a subtable that runs past its end");
                return;
            }
            boolean pairs = kern.u16(at + 4) >> 8 == 0;
            if (pairs
                    && kern.u16(at + HEADER + 4)
                            != SearchRange.of(kern.u16(at + HEADER), KernWriter.PAIR_SIZE)
                                    .entrySelector()) {
                findings.add("kern", "has search values that do not fit its " + kern.u16(at + HEADER) + " pairs");
                return;
            }
            at += Math.max(length, HEADER);
        }
    }
}
