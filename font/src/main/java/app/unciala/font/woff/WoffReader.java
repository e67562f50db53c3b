package app.unciala.font.woff;

import static app.unciala.font.woff.WoffHeader.ENTRIES;
import static app.unciala.font.woff.WoffHeader.ENTRY;
import static app.unciala.font.woff.WoffHeader.ENTRY_LENGTH;
import static app.unciala.font.woff.WoffHeader.ENTRY_OFFSET;
import static app.unciala.font.woff.WoffHeader.ENTRY_STORED_LENGTH;
import static app.unciala.font.woff.WoffHeader.FLAVOR;
import static app.unciala.font.woff.WoffHeader.LENGTH;
import static app.unciala.font.woff.WoffHeader.TABLE_COUNT;

import app.unciala.font.FontException;
import app.unciala.font.FontLimits;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/** Reads WOFF 1.0, each of whose tables is compressed on its own. */
public final class WoffReader {
    /** {@code wOFF}, which a file begins with. */
    public static final int SIGNATURE = 0x774F4646;

    private WoffReader() {}

    public static Sfnt read(ByteView file) {
        int numTables = file.u16(TABLE_COUNT);
        if (numTables == 0) {
            throw new FontException("WOFF", TABLE_COUNT, "has no tables");
        }
        long declared = file.u32(LENGTH);
        if (declared != file.length()) {
            throw new FontException(
                    "WOFF", LENGTH, "says it is " + declared + " bytes long, but the file has " + file.length());
        }
        Map<String, ByteView> tables = new TreeMap<>();
        long total = 0;
        for (int i = 0; i < numTables; i++) {
            int entry = ENTRIES + ENTRY * i;
            String tag = file.tag(entry);
            long original = file.u32(entry + ENTRY_LENGTH);
            total += original;
            if (total > FontLimits.MAX_BYTES) {
                throw new FontException(tag, -1, "unpacks to more than " + (FontLimits.MAX_BYTES >> 20) + " MB");
            }
            int offset = file.offset32(entry + ENTRY_OFFSET);
            int stored = file.offset32(entry + ENTRY_STORED_LENGTH);
            if ((long) offset + stored > file.length() || stored > original) {
                throw new FontException(tag, entry, "lies outside the file or grows when compressed");
            }
            ByteView bytes = file.slice(offset, stored, tag);
            if (stored < original) {
                bytes = ByteView.of(inflate(bytes, (int) original), tag);
            }
            if (tables.putIfAbsent(tag, bytes) != null) {
                throw new FontException(tag, entry, "is listed twice in the table directory");
            }
        }
        return new Sfnt(file.i32(FLAVOR), tables, List.of());
    }

    private static byte[] inflate(ByteView packed, int size) {
        Inflater inflater = new Inflater();
        try {
            inflater.setInput(packed.toArray());
            byte[] out = new byte[size];
            int done = 0;
            while (done < size) {
                int more = inflater.inflate(out, done, size - done);
                if (more == 0) {
                    throw new FontException(packed.table(), -1, "unpacks to " + done + " bytes instead of " + size);
                }
                done += more;
            }
            return out;
        } catch (DataFormatException e) {
            throw new FontException(packed.table(), -1, "is not a valid zlib stream");
        } finally {
            inflater.end();
        }
    }
}
