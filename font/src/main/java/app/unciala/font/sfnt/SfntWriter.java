package app.unciala.font.sfnt;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.Map;

/** Writes a face as a bare TTF or OTF file, or several as a collection; the same tables give the same bytes. */
public final class SfntWriter {
    /** Where {@code head} has the adjustment of the checksum of the whole file, and from what length on. */
    private static final int HEAD_ADJUSTMENT = 8;

    private static final int ADJUSTED_LENGTH = 12;

    private static final int ADJUSTMENT_BASE = 0xB1B0AFBA;

    private SfntWriter() {}

    public static byte[] write(Sfnt face) {
        Map<String, ByteView> tables = face.tables();
        int count = tables.size();
        ByteSink out = new ByteSink().u32(face.flavor()).u16(count);
        SearchRange.of(count, TableDirectory.RECORD).writeTo(out);
        int offset = TableDirectory.RECORDS + TableDirectory.RECORD * count;
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
            if (isAdjusted(entry.getKey(), entry.getValue())) {
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

    private static boolean isAdjusted(String tag, ByteView table) {
        return tag.equals("head") && table.length() >= ADJUSTED_LENGTH;
    }

    /** The checksum of a table in the directory; that of {@code head} counts its own adjustment as zero. */
    public static int checksum(String tag, ByteView table) {
        return table.checksum() - (isAdjusted(tag, table) ? table.i32(HEAD_ADJUSTMENT) : 0);
    }
}
