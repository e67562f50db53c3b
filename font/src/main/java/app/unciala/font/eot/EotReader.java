package app.unciala.font.eot;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntReader;

/** Reads Embedded OpenType (W3C Submission, 2008), plain and XOR-masked; MicroType-compressed files are refused. */
public final class EotReader {
    private EotReader() {}

    /** Whether the bytes begin as an EOT file does: a known version, and the magic number at its place. */
    public static boolean recognizes(ByteView file) {
        if (file.length() < EotHeader.NAMES || littleEndian16(file, EotHeader.MAGIC_NUMBER) != EotHeader.MAGIC) {
            return false;
        }
        int version = littleEndian32(file, EotHeader.VERSION);
        return version == EotHeader.VERSION_1 || version == EotHeader.VERSION_2_1 || version == EotHeader.VERSION_2_2;
    }

    public static Sfnt read(ByteView file) {
        int size = littleEndian32(file, EotHeader.FILE_LENGTH);
        int fontSize = littleEndian32(file, EotHeader.FONT_LENGTH);
        int flags = littleEndian32(file, EotHeader.FLAGS);
        if (size != file.length()) {
            throw new FontException(
                    "EOT",
                    EotHeader.FILE_LENGTH,
                    "says it is " + size + " bytes long, but the file has " + file.length());
        }
        if ((flags & EotHeader.COMPRESSED) != 0) {
            throw new FontException(
                    "EOT", EotHeader.FLAGS, "is MicroType-compressed; use the desktop or WOFF2 file of the same face");
        }
        if (fontSize <= 0 || fontSize > size) {
            throw new FontException(
                    "EOT", EotHeader.FONT_LENGTH, "says its font takes " + fontSize + " of " + size + " bytes");
        }
        byte[] font = file.slice(size - fontSize, fontSize).toArray();
        if ((flags & EotHeader.XOR_MASKED) != 0) {
            for (int i = 0; i < font.length; i++) {
                font[i] ^= EotHeader.MASK;
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
