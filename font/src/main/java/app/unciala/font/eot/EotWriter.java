package app.unciala.font.eot;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntWriter;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.Os2Table;
import java.nio.charset.StandardCharsets;

/** Writes Embedded OpenType version 2.1 (W3C Submission, 2008), neither compressed nor masked, for any root. */
public final class EotWriter {
    private static final int VERSION = 0x00020001;
    private static final int DEFAULT_CHARSET = 1;
    private static final int MAGIC = 0x504C;

    private EotWriter() {}

    public static byte[] write(Sfnt face) {
        byte[] font = SfntWriter.write(face);
        NameTable names = NameTable.read(face);
        ByteSink out = new ByteSink(font.length + 512);
        put32(out, 0);
        put32(out, font.length);
        put32(out, VERSION);
        put32(out, 0);
        putOs2(out, face);
        put32(out, ByteView.of(font, "file").i32(headOffset(font) + 8));
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
        ByteView os2 =
                face.table("OS/2").filter(table -> table.length() >= 86).orElse(ByteView.of(new byte[86], "OS/2"));
        out.bytes(os2.slice(32, 10)).u8(DEFAULT_CHARSET);
        boolean italic = Os2Table.read(face).map(Os2Table::isItalic).orElse(false);
        out.u8(italic ? 1 : 0);
        put32(out, os2.u16(4));
        put16(out, os2.u16(8));
        put16(out, MAGIC);
        for (int at : new int[] {42, 46, 50, 54, 78, 82}) {
            put32(out, os2.i32(at));
        }
    }

    private static int headOffset(byte[] font) {
        ByteView file = ByteView.of(font, "file");
        for (int record = 12; ; record += 16) {
            if (file.tag(record).equals("head")) {
                return file.i32(record + 8);
            }
        }
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
