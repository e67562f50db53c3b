package app.unciala.font.sfnt;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Writes several faces as one collection (OpenType 1.9, "Font collections"); tables with the same bytes are written once. */
public final class CollectionWriter {
    private static final int VERSION = 0x00010000;

    private CollectionWriter() {}

    /**
     * The bytes of a collection. The adjustment in {@code head} stays as it is, as it has no meaning in a collection.
     *
     * @throws IllegalArgumentException if there are no faces
     */
    public static byte[] write(List<Sfnt> faces) {
        if (faces.isEmpty()) {
            throw new IllegalArgumentException("a collection has at least one face");
        }
        int at = SfntReader.DIRECTORY_OFFSETS + 4 * faces.size();
        int[] directories = new int[faces.size()];
        for (int i = 0; i < directories.length; i++) {
            directories[i] = at;
            at += TableDirectory.RECORDS
                    + TableDirectory.RECORD * faces.get(i).tables().size();
        }
        Map<ByteBuffer, Integer> places = new HashMap<>();
        List<ByteView> written = new ArrayList<>();
        for (Sfnt face : faces) {
            for (ByteView table : face.tables().values()) {
                if (places.putIfAbsent(content(table), at) == null) {
                    written.add(table);
                    at += (table.length() + 3) & ~3;
                }
            }
        }
        ByteSink out = new ByteSink(at).u32(Sfnt.COLLECTION).u32(VERSION).u32(faces.size());
        for (int directory : directories) {
            out.u32(directory);
        }
        faces.forEach(face -> directory(out, face, places));
        written.forEach(table -> out.bytes(table).pad4());
        return out.toArray();
    }

    /** A table as a key: equal where its bytes are. */
    private static ByteBuffer content(ByteView table) {
        return ByteBuffer.wrap(table.toArray());
    }

    private static void directory(ByteSink out, Sfnt face, Map<ByteBuffer, Integer> places) {
        int count = face.tables().size();
        out.u32(face.flavor()).u16(count);
        SearchRange.of(count, TableDirectory.RECORD).writeTo(out);
        face.tables().forEach((tag, table) -> out.tag(tag)
                .u32(SfntWriter.checksum(tag, table))
                .u32(places.getOrDefault(content(table), 0))
                .u32(table.length()));
    }
}
