package app.unciala.font.eot;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntReader;

/** Reads Embedded OpenType (W3C Submission, 2008), plain and XOR-masked; MicroType-compressed files are refused. */
public final class EotReader {
    private static final int MAGIC_AT = 34;
    private static final int MAGIC = 0x504C;
    private static final int COMPRESSED = 0x4;
    private static final int XOR_MASKED = 0x10000000;
    private static final int MASK = 0x50;

    private EotReader() {}

    /** Whether the bytes begin as an EOT file does: a known version, and the magic number at its place. */
    public static boolean recognizes(ByteView file) {
        if (file.length() < 82 || littleEndian16(file, MAGIC_AT) != MAGIC) {
            return false;
        }
        int version = littleEndian32(file, 8);
        return version == 0x00010000 || version == 0x00020001 || version == 0x00020002;
    }

    public static Sfnt read(ByteView file) {
        int size = littleEndian32(file, 0);
        int fontSize = littleEndian32(file, 4);
        int flags = littleEndian32(file, 12);
        if (size != file.length()) {
            throw new FontException("EOT", 0, "says it is " + size + " bytes long, but the file has " + file.length());
        }
        if ((flags & COMPRESSED) != 0) {
            throw new FontException(
                    "EOT", 12, "is MicroType-compressed; use the desktop or WOFF2 file of the same face");
        }
        if (fontSize <= 0 || fontSize > size) {
            throw new FontException("EOT", 4, "says its font takes " + fontSize + " of " + size + " bytes");
        }
        byte[] font = file.slice(size - fontSize, fontSize).toArray();
        if ((flags & XOR_MASKED) != 0) {
            for (int i = 0; i < font.length; i++) {
                font[i] ^= MASK;
            }
        }
        return SfntReader.read(ByteView.of(font, "file"), 0);
    }

    private static int littleEndian16(ByteView view, int at) {
        return Short.reverseBytes((short) view.u16(at)) & 0xFFFF;
    }

    private static int littleEndian32(ByteView view, int at) {
        return Integer.reverseBytes(view.i32(at));
    }
}
