package app.unciala.core.font;

import app.unciala.core.font.legacy.EotReader;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.font.sfnt.SfntReader;
import app.unciala.core.font.woff.WoffReader;
import app.unciala.core.font.woff2.Woff2Reader;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Opens a font file of any format; the format comes from the bytes and never from the name. */
public final class FontReader {
    private FontReader() {}

    /**
     * Reads a font file.
     *
     * @throws FontException if the bytes are no font, or a font too damaged to be one
     */
    public static FontFile read(byte[] bytes) {
        ByteView file = ByteView.of(bytes, "file");
        if (bytes.length == 0) {
            throw new FontException("file", -1, "is empty");
        }
        if (bytes.length > FontLimits.MAX_BYTES) {
            throw new FontException("file", -1, "is larger than " + (FontLimits.MAX_BYTES >> 20) + " MB");
        }
        if (bytes.length < 4) {
            throw new FontException("file", -1, "is not a font: only " + bytes.length + " bytes");
        }
        return switch (file.i32(0)) {
            case 0x00010000, 0x74727565 -> single(FontFormat.TTF, SfntReader.read(file, 0));
            case 0x4F54544F -> single(FontFormat.OTF, SfntReader.read(file, 0));
            case 0x74746366 -> new FontFile(FontFormat.COLLECTION, SfntReader.readCollection(file));
            case 0x774F4646 -> single(FontFormat.WOFF, WoffReader.read(file));
            case 0x774F4632 -> new FontFile(FontFormat.WOFF2, Woff2Reader.read(file));
            default -> {
                if (EotReader.recognizes(file)) {
                    yield single(FontFormat.EOT, EotReader.read(file));
                }
                throw new FontException("file", -1, "is not a font: " + whatItIs(file));
            }
        };
    }

    private static FontFile single(FontFormat format, Sfnt face) {
        return new FontFile(format, List.of(face));
    }

    /** What people drop beside fonts, by signature, with what to do about the ones that hold type. */
    private static String whatItIs(ByteView file) {
        String head = file.text(0, Math.min(512, file.length()), StandardCharsets.ISO_8859_1);
        String text = head.stripLeading();
        if (head.startsWith("%!PS-AdobeFont") || head.startsWith("%!FontType1") || head.startsWith("\u0080\u0001")) {
            return "it is a PostScript Type 1 font; ask the vendor for the OpenType version";
        }
        if (head.startsWith("PK\u0003\u0004")) {
            return "it is a zip archive";
        }
        if (head.startsWith("%PDF")) {
            return "it is a PDF document";
        }
        if (text.startsWith("<svg") || text.startsWith("<?xml") && head.contains("<svg")) {
            return text.contains("<font")
                    ? "it is an SVG font, which browsers no longer show; use the desktop or WOFF2 file of the same face"
                    : "it is an SVG document";
        }
        if (text.regionMatches(true, 0, "<!doctype html", 0, 14) || text.regionMatches(true, 0, "<html", 0, 5)) {
            return "it is a web page, perhaps a sign-in page saved in place of the file";
        }
        if (head.chars().limit(200).allMatch(c -> c >= 0x20 && c < 0x7F || c == '\n' || c == '\r' || c == '\t')) {
            return "it is plain text";
        }
        return "it begins with " + String.format("%08X", file.i32(0)) + ", which no font format does";
    }
}
