package app.unciala.font.sfnt;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.Map;

/** Writes a face as a bare TTF or OTF file, or several as a collection; the same tables give the same bytes. */
public final class SfntWriter {
    /** The bytes of a table record. */
    private static final int RECORD = 16;

    private static final int HEAD_ADJUSTMENT = 8;
    private static final int ADJUSTMENT_BASE = 0xB1B0AFBA;

    private SfntWriter() {}

    public static byte[] write(Sfnt face) {
        Map<String, ByteView> tables = face.tables();
        int count = tables.size();
        ByteSink out = new ByteSink().u32(face.flavor()).u16(count);
        SearchRange.of(count, RECORD).writeTo(out);
        int offset = 12 + RECORD * count;
        for (Map.Entry<String, ByteView> entry : tables.entrySet()) {
            ByteView table = entry.getValue();
            out.tag(entry.getKey())
                    .u32(checksum(entry.getKey(), table))
                    .u32(offset)
                    .u32(table.length());
            offset += (table.length() + 3) & ~3;
        }
        int head = -1;
        for (Map.Entry<String, ByteView> entry : tables.entrySet()) {
            if (entry.getKey().equals("head") && entry.getValue().length() >= 12) {
                head = out.size();
            }
            out.bytes(entry.getValue()).pad4();
        }
        if (head >= 0) {
            out.putU32(head + HEAD_ADJUSTMENT, 0);
            int sum = ByteView.of(out.toArray(), "file").checksum();
            out.putU32(head + HEAD_ADJUSTMENT, ADJUSTMENT_BASE - sum);
        }
        return out.toArray();
    }

    /** That of {@code head} counts its own adjustment as zero. */
    static int checksum(String tag, ByteView table) {
        boolean adjusted = tag.equals("head") && table.length() >= 12;
        return table.checksum() - (adjusted ? table.i32(HEAD_ADJUSTMENT) : 0);
    }
}
