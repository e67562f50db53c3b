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
import java.util.stream.IntStream;

/** Reads the table directory of a bare font, or those of a collection (OpenType 1.9, "Font file"). */
public final class SfntReader {
    private static final int MAX_FACES = 256;
    /** Of the header of a collection. */
    private static final int FACE_COUNT = 8;

    static final int DIRECTORY_OFFSETS = 12;

    /** Ends the message of a fault of the table directory alone, which writing the font again corrects. */
    private static final String REFUSED = "; browsers refuse the file until it is converted";

    private SfntReader() {}

    public static Sfnt read(ByteView file, int at) {
        TableDirectory directory = new TableDirectory(file, at);
        if (directory.count() == 0) {
            throw new FontException("file", directory.countAt(), "has no tables");
        }
        Map<String, ByteView> tables = new TreeMap<>();
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < directory.count(); i++) {
            String tag = directory.tag(i);
            long offset = directory.offset(i);
            long end = offset + directory.length(i);
            if (end > file.length()) {
                throw new FontException(
                        tag, -1, "lies at bytes " + offset + " to " + end + ", but the file ends at " + file.length());
            }
            ByteView table = file.slice((int) offset, (int) (end - offset), tag);
            if (tables.putIfAbsent(tag, table) != null) {
                throw new FontException(tag, directory.record(i), "is listed twice in the table directory");
            }
            if (offset % 4 != 0) {
                problems.add(new Problem(
                        Severity.ERROR, tag, "starts at byte " + offset + ", no multiple of four" + REFUSED));
            }
            if (!tag.equals("head") && table.checksum() != directory.checksum(i)) {
                problems.add(new Problem(Severity.NOTE, tag, "checksum does not agree with the table directory"));
            }
        }
        problems.addAll(overlaps(directory));
        return new Sfnt(directory.flavor(), tables, problems);
    }

    /** Tables share bytes in no font that a tool made on purpose. */
    private static List<Problem> overlaps(TableDirectory directory) {
        List<Integer> byOffset = IntStream.range(0, directory.count())
                .filter(i -> directory.length(i) > 0)
                .boxed()
                .sorted(Comparator.comparingLong(directory::offset))
                .toList();
        List<Problem> problems = new ArrayList<>();
        for (int i = 1; i < byOffset.size(); i++) {
            int before = byOffset.get(i - 1);
            int table = byOffset.get(i);
            if (directory.offset(table) < directory.offset(before) + directory.length(before)) {
                String shared = "shares bytes with the table " + directory.tag(before);
                problems.add(new Problem(Severity.ERROR, directory.tag(table), shared + REFUSED));
            }
        }
        return problems;
    }

    public static List<Sfnt> readCollection(ByteView file) {
        long count = file.u32(FACE_COUNT);
        if (count == 0 || count > MAX_FACES) {
            throw new FontException("ttcf", FACE_COUNT, "says it holds " + count + " faces");
        }
        List<Sfnt> faces = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            faces.add(read(file, file.offset32(DIRECTORY_OFFSETS + 4 * i)));
        }
        return faces;
    }
}
