package app.unciala.font.woff2;

import app.unciala.font.FontException;
import app.unciala.font.FontLimits;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Reads WOFF 2.0, single fonts and collections, and undoes the transforms of {@code glyf}, {@code loca}, {@code hmtx}. */
public final class Woff2Reader {
    /** {@code wOF2}, which a file begins with. */
    public static final int SIGNATURE = 0x774F4632;

    /** Where fields stand in the header (section 4), in bytes from the start of the file. */
    private static final int FLAVOR = 4;

    private static final int LENGTH = 8;
    private static final int TABLE_COUNT = 12;
    private static final int COMPRESSED_LENGTH = 20;
    /** The bytes of the header. */
    static final int HEADER = 48;

    /** Of the first byte of a table's entry: the number of its tag, and above it the version of its transform. */
    private static final int TAG_NUMBER = 0x3F;

    static final int TRANSFORM_SHIFT = 6;
    /** Versions of transforms; for {@code glyf} and {@code loca}, 0 is the transform and 3 is none. */
    static final int NO_TRANSFORM_OF_OUTLINES = 3;

    static final int HMTX_TRANSFORM = 1;

    private static final int MAX_FACES = 256;

    /** One entry of the table directory; {@code length} is what it takes in the decompressed stream. */
    private record Entry(String tag, int originalLength, int length, boolean transformed) {}

    private Woff2Reader() {}

    public static List<Sfnt> read(ByteView file) {
        int flavor = file.i32(FLAVOR);
        int numTables = file.u16(TABLE_COUNT);
        long declared = file.u32(LENGTH);
        if (declared != file.length()) {
            throw new FontException(
                    "WOFF2", LENGTH, "says it is " + declared + " bytes long, but the file has " + file.length());
        }
        int packedLength = file.offset32(COMPRESSED_LENGTH);
        if (numTables == 0) {
            throw new FontException("WOFF2", TABLE_COUNT, "has no tables");
        }
        ByteCursor cursor = new ByteCursor(file, HEADER);
        List<Entry> entries = readDirectory(cursor, numTables);
        List<FaceEntries> faces = flavor == Sfnt.COLLECTION
                ? readCollectionDirectory(cursor, numTables)
                : List.of(new FaceEntries(flavor, allOf(numTables)));
        long total = 0;
        for (Entry entry : entries) {
            total += entry.length();
        }
        if (total > FontLimits.MAX_BYTES) {
            throw new FontException("WOFF2", -1, "unpacks to more than " + (FontLimits.MAX_BYTES >> 20) + " MB");
        }
        ByteView packed = cursor.take(packedLength);
        ByteView plain = ByteView.of(Brotli.decompress(packed, (int) total), "WOFF2");
        List<ByteView> data = new ArrayList<>();
        int at = 0;
        for (Entry entry : entries) {
            data.add(plain.slice(at, entry.length(), entry.tag()));
            at += entry.length();
        }
        Map<Integer, GlyfReconstruction> reconstructed = new HashMap<>();
        List<Sfnt> out = new ArrayList<>();
        for (FaceEntries face : faces) {
            out.add(face(face, entries, data, reconstructed));
        }
        return out;
    }

    private record FaceEntries(int flavor, int[] indices) {}

    private static int[] allOf(int count) {
        int[] all = new int[count];
        for (int i = 0; i < count; i++) {
            all[i] = i;
        }
        return all;
    }

    private static List<Entry> readDirectory(ByteCursor cursor, int numTables) {
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < numTables; i++) {
            int flags = cursor.u8();
            int number = flags & TAG_NUMBER;
            String tag = number == KnownTags.ARBITRARY ? cursor.tag() : KnownTags.tag(number);
            int version = flags >> TRANSFORM_SHIFT;
            boolean outlines = tag.equals("glyf") || tag.equals("loca");
            boolean transformed = outlines ? version != NO_TRANSFORM_OF_OUTLINES : version != 0;
            int original = cursor.uintBase128();
            int length = transformed ? cursor.uintBase128() : original;
            if (transformed && (outlines ? version != 0 : !tag.equals("hmtx") || version != HMTX_TRANSFORM)) {
                throw new FontException(tag, -1, "uses the unknown transform " + version);
            }
            if (tag.equals("loca") && transformed && length != 0) {
                throw new FontException(tag, -1, "is transformed but has bytes of its own");
            }
            entries.add(new Entry(tag, original, length, transformed));
        }
        return entries;
    }

    private static List<FaceEntries> readCollectionDirectory(ByteCursor cursor, int numTables) {
        cursor.i32();
        int count = cursor.uint255();
        if (count == 0 || count > MAX_FACES) {
            throw new FontException("WOFF2", cursor.position(), "says it holds " + count + " faces");
        }
        List<FaceEntries> faces = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int[] indices = new int[cursor.uint255()];
            int flavor = cursor.i32();
            for (int j = 0; j < indices.length; j++) {
                indices[j] = cursor.uint255();
                if (indices[j] >= numTables) {
                    throw new FontException(
                            "WOFF2", cursor.position(), "names table " + indices[j] + " of " + numTables);
                }
            }
            faces.add(new FaceEntries(flavor, indices));
        }
        return faces;
    }

    private static Sfnt face(
            FaceEntries face,
            List<Entry> entries,
            List<ByteView> data,
            Map<Integer, GlyfReconstruction> reconstructed) {
        Map<String, ByteView> tables = new TreeMap<>();
        int glyfIndex = -1;
        int hmtxIndex = -1;
        for (int index : face.indices()) {
            Entry entry = entries.get(index);
            if (tables.putIfAbsent(entry.tag(), data.get(index)) != null) {
                throw new FontException(entry.tag(), -1, "is listed twice in the table directory");
            }
            if (entry.transformed() && entry.tag().equals("glyf")) {
                glyfIndex = index;
            } else if (entry.transformed() && entry.tag().equals("hmtx")) {
                hmtxIndex = index;
            }
        }
        if (glyfIndex < 0) {
            if (hmtxIndex >= 0) {
                throw new FontException("hmtx", -1, "is transformed although glyf is not");
            }
            return new Sfnt(face.flavor(), tables, List.of());
        }
        if (!tables.containsKey("loca")) {
            throw new FontException("loca", -1, "is missing beside a transformed glyf");
        }
        ByteView glyfData = data.get(glyfIndex);
        GlyfReconstruction glyf = reconstructed.computeIfAbsent(glyfIndex, i -> GlyfReconstruction.of(glyfData));
        tables.put("glyf", ByteView.of(glyf.glyf(), "glyf"));
        tables.put("loca", ByteView.of(glyf.loca(), "loca"));
        Sfnt result = new Sfnt(face.flavor(), tables, List.of());
        return hmtxIndex < 0
                ? result
                : result.with("hmtx", HmtxTransform.undo(result, data.get(hmtxIndex), glyf.xMins()));
    }
}
