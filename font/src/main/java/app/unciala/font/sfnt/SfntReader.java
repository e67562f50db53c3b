package app.unciala.font.sfnt;

import app.unciala.font.FontException;
import app.unciala.font.Problem;
import app.unciala.font.Problem.Severity;
import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Reads the table directory of a bare font, or those of a collection (OpenType 1.9, "Font file"). */
public final class SfntReader {
    private static final int MAX_FACES = 256;
    /** Ends the message of a fault of the table directory alone, which writing the font again corrects. */
    private static final String REFUSED = "; browsers refuse the file until it is converted";

    private SfntReader() {}

    public static Sfnt read(ByteView file, int at) {
        int numTables = file.u16(at + 4);
        if (numTables == 0) {
            throw new FontException("file", at + 4, "has no tables");
        }
        Map<String, ByteView> tables = new TreeMap<>();
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < numTables; i++) {
            int record = at + 12 + 16 * i;
            String tag = file.tag(record);
            long offset = file.u32(record + 8);
            long length = file.u32(record + 12);
            if (offset + length > file.length()) {
                throw new FontException(
                        tag,
                        -1,
                        "lies at bytes " + offset + " to " + (offset + length) + ", but the file ends at "
                                + file.length());
            }
            ByteView table = file.slice((int) offset, (int) length, tag);
            if (tables.putIfAbsent(tag, table) != null) {
                throw new FontException(tag, record, "is listed twice in the table directory");
            }
            if (offset % 4 != 0) {
                problems.add(new Problem(
                        Severity.ERROR, tag, "starts at byte " + offset + ", no multiple of four" + REFUSED));
            }
            if (!tag.equals("head") && table.checksum() != file.i32(record + 4)) {
                problems.add(new Problem(Severity.NOTE, tag, "checksum does not agree with the table directory"));
            }
        }
        problems.addAll(overlaps(file, at, numTables));
        return new Sfnt(file.i32(at), tables, problems);
    }

    /** Tables share bytes in no font that a tool made on purpose. */
    private static List<Problem> overlaps(ByteView file, int at, int numTables) {
        List<int[]> records = new ArrayList<>();
        for (int i = 0; i < numTables; i++) {
            int record = at + 12 + 16 * i;
            if (file.i32(record + 12) > 0) {
                records.add(new int[] {file.i32(record + 8), file.i32(record + 12), record});
            }
        }
        records.sort(Comparator.comparingInt(record -> record[0]));
        List<Problem> problems = new ArrayList<>();
        for (int i = 1; i < records.size(); i++) {
            int[] before = records.get(i - 1);
            int[] record = records.get(i);
            if (record[0] < before[0] + before[1]) {
                String shared = "shares bytes with the table " + file.tag(before[2]);
                problems.add(new Problem(Severity.ERROR, file.tag(record[2]), shared + REFUSED));
            }
        }
        return problems;
    }

    public static List<Sfnt> readCollection(ByteView file) {
        long count = file.u32(8);
        if (count == 0 || count > MAX_FACES) {
            throw new FontException("ttcf", 8, "says it holds " + count + " faces");
        }
        List<Sfnt> faces = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            faces.add(read(file, file.offset32(12 + 4 * i)));
        }
        return faces;
    }
}
