package app.unciala.font.woff2;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntReader;
import app.unciala.font.sfnt.SfntWriter;
import app.unciala.font.table.HeadTable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Writes WOFF 2.0 with the transforms of {@code glyf}, {@code loca} and {@code hmtx}; the same face gives the same
 * bytes. A digital signature is left out and {@code head} bit 11 is set, as section 4 of the specification asks of
 * an encoder that rewrites tables.
 */
public final class Woff2Writer {
    /** Bit 11 of the flags of {@code head}, as it stands in their first byte. */
    private static final int LOSSLESS = 1 << 3;

    private static final int NO_TRANSFORM_OF_OUTLINES =
            Woff2Reader.NO_TRANSFORM_OF_OUTLINES << Woff2Reader.TRANSFORM_SHIFT;
    private static final int HMTX_TRANSFORM = Woff2Reader.HMTX_TRANSFORM << Woff2Reader.TRANSFORM_SHIFT;

    /** Decoders in use, browsers' among them, take a file that expands further for an attack. */
    private static final int MOST_EXPANSION = 100;

    private record Entry(String tag, int flags, int originalLength, byte[] bytes, boolean transformed) {}

    private Woff2Writer() {}

    /**
     * Writes a face; a signature of it goes, for it would no longer hold.
     *
     * @throws FontException if the face is damaged, or consists so much of zeros or repeats that browsers would refuse to
     *     unpack the file
     */
    public static byte[] write(Sfnt source, Compression compression) {
        Sfnt face = source.without("DSIG");
        boolean outlines = face.table("glyf").isPresent() && face.table("loca").isPresent();
        Optional<GlyfTransform> glyf = outlines ? Optional.of(transform(face)) : Optional.empty();
        byte[] decoded = SfntWriter.write(asDecoded(face, glyf));
        Sfnt ready = SfntReader.read(ByteView.of(decoded, "file"), 0);
        ByteSink plain = new ByteSink(1 << 16);
        ByteSink directory = new ByteSink();
        List<Entry> entries = entries(ready, glyf);
        for (Entry entry : entries) {
            int number = KnownTags.number(entry.tag());
            directory.u8(entry.flags() | number);
            if (number == KnownTags.ARBITRARY) {
                directory.tag(entry.tag());
            }
            VariableLength.putBase128(directory, entry.originalLength());
            if (entry.transformed()) {
                VariableLength.putBase128(directory, entry.bytes().length);
            }
            plain.bytes(entry.bytes());
        }
        byte[] packed = Brotli.compress(plain.toArray(), compression);
        int length = (Woff2Reader.HEADER + directory.size() + packed.length + 3) & ~3;
        if (plain.size() > (long) MOST_EXPANSION * length) {
            throw new FontException(
                    "WOFF2", -1, "would expand more than " + MOST_EXPANSION + " times, which browsers refuse");
        }
        ByteSink out = new ByteSink(length);
        out.u32(Woff2Reader.SIGNATURE).u32(ready.flavor()).u32(length);
        out.u16(entries.size()).u16(0).u32(decoded.length).u32(packed.length);
        // The version of the font, which nothing reads, and where metadata and private data would be.
        out.u16(1).u16(0);
        out.bytes(new byte[Woff2Reader.HEADER - out.size()]);
        out.bytes(directory).bytes(packed).pad4();
        return out.toArray();
    }

    /** A decoder pads every glyph to four bytes, which can outgrow the short offsets of the source. */
    private static GlyfTransform transform(Sfnt face) {
        int locFormat = HeadTable.read(face).indexToLocFormat();
        boolean outgrows = locFormat == 0 && paddedLength(GlyfTable.read(face)) > GlyfTable.MAX_SHORT;
        return GlyfTransform.of(face, outgrows ? 1 : locFormat);
    }

    private static long paddedLength(GlyfTable table) {
        long length = 0;
        for (int glyph = 0; glyph < table.numGlyphs(); glyph++) {
            length += (table.glyph(glyph).length() + 7L) & ~3;
        }
        return length;
    }

    /** The face as a decoder will write it, so that lengths and checksums stand for what comes out. */
    private static Sfnt asDecoded(Sfnt face, Optional<GlyfTransform> glyf) {
        byte[] head = face.require("head").toArray();
        head[HeadTable.FLAGS] |= LOSSLESS;
        Sfnt decoded = face;
        if (glyf.isPresent()) {
            ByteView data = ByteView.of(glyf.get().data(), "glyf");
            GlyfReconstruction rebuilt = GlyfReconstruction.of(data);
            decoded = face.with("glyf", rebuilt.glyf()).with("loca", rebuilt.loca());
            head[HeadTable.INDEX_TO_LOC_FORMAT + 1] = (byte) data.u16(GlyfReconstruction.INDEX_FORMAT);
        }
        return decoded.with("head", head);
    }

    private static List<Entry> entries(Sfnt face, Optional<GlyfTransform> glyf) {
        List<Entry> entries = new ArrayList<>();
        for (Map.Entry<String, ByteView> table : face.tables().entrySet()) {
            String tag = table.getKey();
            int length = table.getValue().length();
            if (glyf.isPresent() && tag.equals("glyf")) {
                entries.add(new Entry(tag, 0, length, glyf.get().data(), true));
                entries.add(new Entry("loca", 0, face.require("loca").length(), new byte[0], true));
            } else if (glyf.isEmpty() || !tag.equals("loca")) {
                Optional<byte[]> shorter = tag.equals("hmtx")
                        ? glyf.flatMap(transform -> HmtxTransform.apply(face, transform.xMins()))
                                .filter(bytes -> pays(bytes, table.getValue()))
                        : Optional.empty();
                int flags = tag.equals("loca") || tag.equals("glyf") ? NO_TRANSFORM_OF_OUTLINES : 0;
                entries.add(shorter.map(bytes -> new Entry(tag, HMTX_TRANSFORM, length, bytes, true))
                        .orElseGet(() ->
                                new Entry(tag, flags, length, table.getValue().toArray(), false)));
            }
        }
        return entries;
    }

    /** The transform parts advances from bearings, which can cost more than the bearings it leaves out. */
    private static boolean pays(byte[] transformed, ByteView plain) {
        return Brotli.roughLength(transformed) < Brotli.roughLength(plain.toArray());
    }
}
