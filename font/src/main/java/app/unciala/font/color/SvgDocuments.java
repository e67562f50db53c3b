package app.unciala.font.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The documents of {@code SVG }, each with the glyphs that it draws (OpenType 1.9, "SVG"). */
public final class SvgDocuments {
    private static final int DOCUMENT_LIST_OFFSET = 2;
    private static final int HEADER = 10;
    /** Of the list: where the records begin, each with the first and the last glyph, and where its document is. */
    private static final int RECORDS = 2;

    private static final int RECORD = 12;
    private static final int LAST_GLYPH = 2;
    private static final int OFFSET = 4;
    private static final int LENGTH = 8;

    /** Glyphs from one to another, both included. */
    public record Glyphs(int first, int last) {}

    /** A document as it is stored, which may be compressed by gzip, and the glyphs that it draws. */
    public record Document(List<Glyphs> glyphs, byte[] bytes) {
        /** Whether it is compressed by gzip, which is told by its first two bytes (RFC 1952). */
        public boolean isCompressed() {
            return bytes.length > 2 && bytes[0] == 0x1F && bytes[1] == (byte) 0x8B;
        }
    }

    private SvgDocuments() {}

    /**
     * Reads the documents of a table; one that several records name stands once, with the glyphs of all.
     *
     * @throws FontException if an offset leads outside the table, or documents lie over one another
     */
    public static List<Document> read(ByteView svg) {
        ByteView list = svg.from(svg.offset32(DOCUMENT_LIST_OFFSET));
        Map<Long, List<Glyphs>> glyphs = new LinkedHashMap<>();
        int count = list.u16(0);
        for (int i = 0; i < count; i++) {
            int at = RECORDS + RECORD * i;
            long place = list.u32(at + OFFSET) << 32 | list.u32(at + LENGTH);
            glyphs.computeIfAbsent(place, any -> new ArrayList<>())
                    .add(new Glyphs(list.u16(at), list.u16(at + LAST_GLYPH)));
        }
        long all = 0;
        for (long place : glyphs.keySet()) {
            all += place & 0xFFFFFFFFL;
        }
        if (all > svg.length()) {
            throw new FontException("SVG ", -1, "has documents outside the table, or over one another");
        }
        List<Document> documents = new ArrayList<>();
        glyphs.forEach((place, drawn) -> {
            int offset = (int) Math.min(Integer.MAX_VALUE, place >>> 32);
            int length = (int) (long) place;
            documents.add(
                    new Document(List.copyOf(drawn), list.slice(offset, length).toArray()));
        });
        return documents;
    }

    /** Writes a table of documents, no two of which draw one glyph. */
    public static byte[] write(List<Document> documents) {
        record Entry(Glyphs glyphs, int document) {}
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < documents.size(); i++) {
            for (Glyphs glyphs : documents.get(i).glyphs()) {
                entries.add(new Entry(glyphs, i));
            }
        }
        entries.sort(Comparator.comparingInt(entry -> entry.glyphs().first()));
        int[] offsets = new int[documents.size()];
        int end = RECORDS + RECORD * entries.size();
        for (int i = 0; i < offsets.length; i++) {
            offsets[i] = end;
            end += documents.get(i).bytes().length;
        }
        ByteSink written = new ByteSink(HEADER + end).u16(0).u32(HEADER).u32(0).u16(entries.size());
        for (Entry entry : entries) {
            written.u16(entry.glyphs().first())
                    .u16(entry.glyphs().last())
                    .u32(offsets[entry.document()])
                    .u32(documents.get(entry.document()).bytes().length);
        }
        documents.forEach(document -> written.bytes(document.bytes()));
        return written.toArray();
    }
}
