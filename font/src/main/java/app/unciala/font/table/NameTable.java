package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** {@code name}: the font's names and license texts, in the languages it has them. */
public record NameTable(List<NameRecord> records) {
    public static final int COPYRIGHT = 0;
    public static final int FAMILY = 1;
    public static final int SUBFAMILY = 2;
    public static final int UNIQUE_ID = 3;
    public static final int FULL_NAME = 4;
    public static final int VERSION = 5;
    public static final int POSTSCRIPT_NAME = 6;
    public static final int TRADEMARK = 7;
    public static final int MANUFACTURER = 8;
    public static final int DESIGNER = 9;
    public static final int DESCRIPTION = 10;
    public static final int VENDOR_URL = 11;
    public static final int DESIGNER_URL = 12;
    public static final int LICENSE = 13;
    public static final int LICENSE_URL = 14;
    public static final int TYPOGRAPHIC_FAMILY = 16;
    public static final int TYPOGRAPHIC_SUBFAMILY = 17;
    public static final int COMPATIBLE_FULL_NAME = 18;
    public static final int WWS_FAMILY = 21;
    public static final int WWS_SUBFAMILY = 22;
    public static final int VARIATIONS_PREFIX = 25;

    private static final Pattern CONTROLS = Pattern.compile("[\\p{Cc}&&[^\n\t]]");
    private static final int MAX_TEXT = 100_000;
    private static final int US_ENGLISH = 0x409;
    /** From here on a language is the number of a tag in the table itself (version 1). */
    static final int FIRST_LANGUAGE_TAG = 0x8000;

    /** One record; {@code text} is decoded and stripped of control characters at its ends. */
    public record NameRecord(int platform, int encoding, int language, int nameId, String text) {
        /** English on the Windows platform first, then other English, then whatever there is. */
        private int rank() {
            if (platform == 3) {
                return language == US_ENGLISH ? 0 : (language & 0xFF) == 0x09 ? 1 : 4;
            }
            return platform == 0 ? 2 : language == 0 ? 3 : 5;
        }
    }

    public NameTable {
        records = List.copyOf(records);
    }

    /** The names, or none: a record that points outside its table is left out rather than failing the font. */
    public static NameTable read(Sfnt face) {
        return face.table("name")
                .filter(t -> t.length() >= 6)
                .map(NameTable::read)
                .orElse(new NameTable(List.of()));
    }

    private static NameTable read(ByteView table) {
        int count = table.u16(2);
        int storage = table.u16(4);
        List<NameRecord> records = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int at = 6 + 12 * i;
            if (at + 12 > table.length()) {
                break;
            }
            int length = table.u16(at + 8);
            int start = storage + table.u16(at + 10);
            if (length > MAX_TEXT || start + length > table.length()) {
                continue;
            }
            String text = table.text(start, length, charset(table.u16(at), table.u16(at + 2)));
            records.add(new NameRecord(
                    table.u16(at), table.u16(at + 2), table.u16(at + 4), table.u16(at + 6), clean(text)));
        }
        return new NameTable(records);
    }

    /** The best record of this kind that has any text, preferring English. */
    public Optional<String> best(int nameId) {
        return records.stream()
                .filter(record -> record.nameId() == nameId && !record.text().isEmpty())
                .min(Comparator.comparingInt(NameRecord::rank))
                .map(NameRecord::text);
    }

    /** Without the records of the old Macintosh platform that say what a record of the Windows platform says too. */
    public NameTable withoutRepeats() {
        Set<String> said = records.stream()
                .filter(record -> record.platform() == 3)
                .map(record -> record.nameId() + record.text())
                .collect(Collectors.toSet());
        return new NameTable(records.stream()
                .filter(record -> record.platform() != 1 || !said.contains(record.nameId() + record.text()))
                .toList());
    }

    static Charset charset(int platform, int encoding) {
        if (platform == 1) {
            return Charset.isSupported("x-MacRoman") ? Charset.forName("x-MacRoman") : StandardCharsets.ISO_8859_1;
        }
        return StandardCharsets.UTF_16BE;
    }

    private static String clean(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (Character.isISOControl(text.charAt(i))) {
                return CONTROLS.matcher(text).replaceAll("").strip();
            }
        }
        return text.strip();
    }
}
