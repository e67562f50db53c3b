package app.unciala.font.file;

import app.unciala.font.bytes.ByteView;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/** Files that are no fonts for the web, told by their first bytes; for those of type, with what to do instead. */
final class ForeignFiles {
    private static final Map<String, String> BY_START = new LinkedHashMap<>();

    static {
        String type1 = "it is a PostScript Type 1 font; ask the vendor for the OpenType version";
        BY_START.put("%!PS-AdobeFont", type1);
        BY_START.put("%!FontType1", type1);
        BY_START.put("\u0080\u0001", type1);
        BY_START.put(
                "typ1",
                "it is a PostScript Type 1 font in a TrueType wrapper; ask the vendor for the OpenType version");
        BY_START.put(
                "StartFontMetrics",
                "it holds the metrics of a PostScript Type 1 font, not its letters; ask the vendor for the OpenType version");
        BY_START.put(
                "STARTFONT", "it is a bitmap font (BDF), which browsers do not show; ask for the OpenType version");
        BY_START.put(
                "\u0001fcp", "it is a bitmap font (PCF), which browsers do not show; ask for the OpenType version");
        BY_START.put("MZ", "it is a Windows program or an old Windows bitmap font; ask for the OpenType version");
        BY_START.put(
                "\u0000\u0005\u0016\u0007",
                "it is the hidden companion that macOS puts beside a file; the file itself is named without “._”");
        BY_START.put(
                "\u0000\u0005\u0016\u0000",
                "it is the hidden companion that macOS puts beside a file; the file itself is named without “._”");
        BY_START.put("PK\u0003\u0004", "it is a zip archive");
        BY_START.put("Rar!", "it is a RAR archive; unpack it first");
        BY_START.put("7z\u00BC\u00AF", "it is a 7-Zip archive; unpack it first");
        BY_START.put("\u001F\u008B", "it is gzip-compressed; unpack it first");
        BY_START.put("%PDF", "it is a PDF document");
        BY_START.put("%!PS", "it is a PostScript document");
        BY_START.put("\u0089PNG", "it is a PNG picture");
        BY_START.put("\u00FF\u00D8\u00FF", "it is a JPEG picture");
        BY_START.put("GIF8", "it is a GIF picture");
        BY_START.put("{\\rtf", "it is an RTF document");
    }

    private ForeignFiles() {}

    /** What the file is, as the end of a sentence. */
    static String describe(ByteView file) {
        String head = file.text(0, Math.min(512, file.length()), StandardCharsets.ISO_8859_1);
        for (Map.Entry<String, String> known : BY_START.entrySet()) {
            if (head.startsWith(known.getKey())) {
                return known.getValue();
            }
        }
        if (isResourceFork(file)) {
            return "it is a Macintosh font suitcase (a resource fork); ask the vendor for the OpenType version";
        }
        if (isPrinterMetrics(file)) {
            return "it holds the printer metrics (PFM) of a PostScript Type 1 font, not its letters; "
                    + "ask the vendor for the OpenType version";
        }
        String text = head.stripLeading();
        if (text.startsWith("<svg") || (text.startsWith("<?xml") && head.contains("<svg"))) {
            return "it is an SVG document";
        }
        if (text.regionMatches(true, 0, "<!doctype html", 0, 14) || text.regionMatches(true, 0, "<html", 0, 5)) {
            return "it is a web page, perhaps a sign-in page saved in place of the file";
        }
        if (text.startsWith("<?xml") || text.startsWith("<ttFont") || text.startsWith("<!DOCTYPE plist")) {
            return "it is an XML document";
        }
        if (head.chars().limit(200).allMatch(c -> (c >= 0x20 && c < 0x7F) || c == '\n' || c == '\r' || c == '\t')) {
            return "it is plain text";
        }
        if (head.chars().allMatch(c -> c == 0)) {
            return "it is all zeros, as a failed download or a full disk leaves it";
        }
        return "it begins with " + String.format("%08X", file.i32(0)) + ", which no font format does";
    }

    /** The header of a resource fork: data and map, one behind the other, within the file. */
    private static boolean isResourceFork(ByteView file) {
        if (file.length() < 256 + 30) {
            return false;
        }
        long data = file.u32(0);
        long map = file.u32(4);
        long dataLength = file.u32(8);
        long mapLength = file.u32(12);
        return data == 256 && map == data + dataLength && mapLength >= 30 && map + mapLength <= file.length();
    }

    /** Version 1.0 and the file's own length, both with the low byte first. */
    private static boolean isPrinterMetrics(ByteView file) {
        return file.length() > 117 && file.u16(0) == 0x0001 && Integer.reverseBytes(file.i32(2)) == file.length();
    }
}
