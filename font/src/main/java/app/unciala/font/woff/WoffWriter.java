package app.unciala.font.woff;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntReader;
import app.unciala.font.sfnt.SfntWriter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.zip.Deflater;

/** Writes WOFF 1.0 without metadata or private data; a table that zlib does not shrink is stored as it is. */
public final class WoffWriter {
    private WoffWriter() {}

    public static byte[] write(Sfnt face) {
        byte[] plain = SfntWriter.write(face);
        Map<String, ByteView> tables =
                SfntReader.read(ByteView.of(plain, "file"), 0).tables();
        List<byte[]> stored = new ArrayList<>();
        int length = WoffHeader.ENTRIES + WoffHeader.ENTRY * tables.size();
        for (ByteView table : tables.values()) {
            byte[] packed = deflate(table);
            stored.add(packed);
            length += (packed.length + 3) & ~3;
        }
        ByteSink out = new ByteSink(length);
        out.u32(WoffReader.SIGNATURE).u32(face.flavor()).u32(length);
        out.u16(tables.size()).u16(0).u32(plain.length);
        // The version of the font, which nothing reads, and where metadata and private data would be.
        out.u16(1).u16(0);
        out.bytes(new byte[WoffHeader.ENTRIES - out.size()]);
        int offset = WoffHeader.ENTRIES + WoffHeader.ENTRY * tables.size();
        int i = 0;
        for (Map.Entry<String, ByteView> entry : tables.entrySet()) {
            byte[] bytes = stored.get(i++);
            int checksum = SfntWriter.checksum(entry.getKey(), entry.getValue());
            out.tag(entry.getKey()).u32(offset).u32(bytes.length);
            out.u32(entry.getValue().length()).u32(checksum);
            offset += (bytes.length + 3) & ~3;
        }
        stored.forEach(bytes -> out.bytes(bytes).pad4());
        return out.toArray();
    }

    private static byte[] deflate(ByteView table) {
        byte[] plain = table.toArray();
        Deflater deflater = new Deflater(Deflater.BEST_COMPRESSION);
        try {
            deflater.setInput(plain);
            deflater.finish();
            byte[] packed = new byte[plain.length];
            int size = deflater.deflate(packed);
            return deflater.finished() && size < plain.length ? Arrays.copyOf(packed, size) : plain;
        } finally {
            deflater.end();
        }
    }
}
