package app.unciala.font.file;

import static java.nio.charset.StandardCharsets.ISO_8859_1;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.FontLimits;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.eot.EotReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntReader;
import app.unciala.font.svg.SvgFontReader;
import app.unciala.font.woff.WoffReader;
import app.unciala.font.woff2.Woff2Reader;
import java.util.List;

/** Opens a font file of any format; the format comes from the bytes and never from the name. */
public final class FontReader {
    /** How far into an XML document the font may begin, in bytes; license texts often stand before it. */
    private static final int MAX_HEAD = 1 << 16;

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
        FontFile font = open(file);
        font.faces().forEach(FontReader::requireOutlines);
        return font;
    }

    private static FontFile open(ByteView file) {
        return switch (file.i32(0)) {
            case Sfnt.TRUETYPE, Sfnt.APPLE_TRUETYPE -> single(FontFormat.TTF, SfntReader.read(file, 0));
            case Sfnt.CFF -> single(FontFormat.OTF, SfntReader.read(file, 0));
            case Sfnt.COLLECTION -> new FontFile(FontFormat.COLLECTION, SfntReader.readCollection(file));
            case WoffReader.SIGNATURE -> single(FontFormat.WOFF, WoffReader.read(file));
            case Woff2Reader.SIGNATURE -> new FontFile(FontFormat.WOFF2, Woff2Reader.read(file));
            default -> {
                if (EotReader.recognizes(file)) {
                    yield single(FontFormat.EOT, EotReader.read(file));
                }
                if (SvgFontReader.recognizes(file.text(0, Math.min(MAX_HEAD, file.length()), ISO_8859_1))) {
                    yield new FontFile(FontFormat.SVG, SvgFontReader.read(file));
                }
                throw new FontException("file", -1, "is not a font: " + ForeignFiles.describe(file));
            }
        };
    }

    /** Refuses fonts that have bitmaps and no outlines; some of them have an outline table without bytes. */
    private static void requireOutlines(Sfnt face) {
        boolean bitmaps = face.table("EBDT").isPresent() || face.table("bdat").isPresent();
        boolean outlines = face.table("CFF ").isPresent()
                || face.table("glyf").filter(glyf -> glyf.length() > 0).isPresent();
        if (bitmaps && !outlines) {
            throw new FontException(
                    "file",
                    -1,
                    "is not a font with outlines but a bitmap font, which browsers do not show; ask for the version"
                            + " with outlines");
        }
    }

    private static FontFile single(FontFormat format, Sfnt face) {
        return new FontFile(format, List.of(face));
    }
}
