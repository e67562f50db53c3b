package app.unciala.font.sanitizer;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.SearchRange;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.KernTable;
import app.unciala.font.table.KernTable.Subtable;
import java.util.Optional;

/** {@code kern} of version 0: its subtables lie one after the other within it. */
final class KernCheck {
    private KernCheck() {}

    static void kern(Sfnt face, Findings findings) {
        Optional<ByteView> table = face.table("kern").filter(kern -> kern.u16(0) == 0);
        if (table.isEmpty()) {
            return;
        }
        ByteView kern = table.get();
        int at = KernTable.SUBTABLES;
        for (int i = 0; i < kern.u16(KernTable.TABLE_COUNT); i++) {
            ByteView subtable = kern.from(at);
            int length = subtable.u16(Subtable.LENGTH);
            if (subtable.u16(0) > 0) {
                return;
            }
            if (length > subtable.length()) {
                findings.add("kern", "has a subtable that runs past its end");
                return;
            }
            if (subtable.u8(Subtable.FORMAT) == 0 && !fits(subtable)) {
                String pairs = subtable.u16(Subtable.COUNT) + " pairs";
                findings.add("kern", "has search values that do not fit its " + pairs);
                return;
            }
            at += Math.max(length, Subtable.HEADER);
        }
    }

    /** Whether the values for a binary search are those of the pairs. */
    private static boolean fits(ByteView subtable) {
        SearchRange range = SearchRange.of(subtable.u16(Subtable.COUNT), Subtable.PAIR);
        return subtable.u16(Subtable.ENTRY_SELECTOR) == range.entrySelector();
    }
}
