package app.unciala.font.eot;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntReader;
import app.unciala.font.sfnt.SfntWriter;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.Os2Table;
import java.nio.charset.StandardCharsets;

/** Writes Embedded OpenType version 2.1 (W3C Submission, 2008), neither compressed nor masked, for any root. */
public final class EotWriter {
    private static final int DEFAULT_CHARSET = 1;

    private EotWriter() {}

    public static byte[] write(Sfnt face) {
        byte[] font = SfntWriter.write(face);
        NameTable names = NameTable.read(face);
        ByteSink out = new ByteSink(font.length + 512);
        put32(out, 0);
        put32(out, font.length);
        put32(out, EotHeader.VERSION_2_1);
        put32(out, 0);
        putOs2(out, face);
        put32(out, checksumAdjustment(font));
        for (int reserved = 0; reserved < 4; reserved++) {
            put32(out, 0);
        }
        for (int nameId : new int[] {NameTable.FAMILY, NameTable.SUBFAMILY, NameTable.VERSION, NameTable.FULL_NAME}) {
            put16(out, 0);
            putString(out, names.best(nameId).orElse(""));
        }
        put16(out, 0);
        putString(out, "");
        out.bytes(font);
        byte[] bytes = out.toArray();
        ByteSink size = new ByteSink();
        put32(size, bytes.length);
        System.arraycopy(size.toArray(), 0, bytes, 0, 4);
        return bytes;
    }

    /** PANOSE, charset, italic, weight, fsType, the magic number, and the Unicode and code page ranges. */
    private static void putOs2(ByteSink out, Sfnt face) {
        int length = Os2Table.lengthOf(1).orElseThrow();
        ByteView os2 = face.table("OS/2")
                .filter(table -> table.length() >= length)
                .orElse(ByteView.of(new byte[length], "OS/2"));
        out.bytes(os2.slice(Os2Table.PANOSE, Os2Table.PANOSE_LENGTH)).u8(DEFAULT_CHARSET);
        boolean italic = Os2Table.read(face).map(Os2Table::isItalic).orElse(false);
        out.u8(italic ? 1 : 0);
        put32(out, os2.u16(Os2Table.WEIGHT_CLASS));
        put16(out, os2.u16(Os2Table.FS_TYPE));
        put16(out, EotHeader.MAGIC);
        for (int range = 0; range < 4; range++) {
            put32(out, os2.i32(Os2Table.UNICODE_RANGES + 4 * range));
        }
        for (int range = 0; range < 2; range++) {
            put32(out, os2.i32(Os2Table.CODE_PAGE_RANGES + 4 * range));
        }
    }

    /** The adjustment in {@code head} of a font as it was written. */
    private static int checksumAdjustment(byte[] font) {
        return SfntReader.read(ByteView.of(font, "file"), 0).require("head").i32(HeadTable.CHECKSUM_ADJUSTMENT);
    }

    private static void putString(ByteSink out, String text) {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_16LE);
        put16(out, bytes.length);
        out.bytes(bytes);
    }

    private static void put16(ByteSink out, int value) {
        out.u16(Short.reverseBytes((short) value));
    }

    private static void put32(ByteSink out, int value) {
        out.u32(Integer.reverseBytes(value));
    }
}
