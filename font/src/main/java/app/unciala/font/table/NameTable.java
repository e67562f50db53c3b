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

    /** Platforms, as {@code cmap} numbers them too. */
    public static final int UNICODE = 0;

    public static final int MACINTOSH = 1;
    public static final int WINDOWS = 3;
    /** The encoding of names on the Windows platform: the Basic Multilingual Plane, or all of Unicode, in UTF-16. */
    public static final int WINDOWS_UNICODE = 1;

    public static final int US_ENGLISH = 0x409;
    /** The lower byte of the languages of the Windows platform that are English. */
    private static final int ENGLISH = 0x09;

    private static final int MACINTOSH_ENGLISH = 0;

    /** Where fields stand, in bytes from the start of the table. */
    public static final int COUNT = 2;

    public static final int STORAGE_OFFSET = 4;
    public static final int RECORDS = 6;
    public static final int RECORD = 12;
    private static final int ENCODING = 2;
    private static final int LANGUAGE = 4;
    private static final int NAME_ID = 6;
    private static final int LENGTH = 8;
    private static final int OFFSET = 10;

    private static final Pattern CONTROLS = Pattern.compile("[\\p{Cc}&&[^\n\t]]");
    private static final int MAX_TEXT = 100_000;
    /** From here on a language is the number of a tag in the table itself (version 1). */
    static final int FIRST_LANGUAGE_TAG = 0x8000;

    /** One record; {@code text} is decoded and stripped of control characters at its ends. */
    public record NameRecord(int platform, int encoding, int language, int nameId, String text) {
        /** A record of the Windows platform in American English. */
        public static NameRecord english(int nameId, String text) {
            return new NameRecord(WINDOWS, WINDOWS_UNICODE, US_ENGLISH, nameId, text);
        }

        /** English on the Windows platform first, then other English, then whatever there is. */
        private int rank() {
            if (platform == WINDOWS) {
                return language == US_ENGLISH ? 0 : (language & 0xFF) == ENGLISH ? 1 : 4;
            }
            return platform == UNICODE ? 2 : language == MACINTOSH_ENGLISH ? 3 : 5;
        }
    }

    public NameTable {
        records = List.copyOf(records);
    }

    /** The names, or none: a record that points outside its table is left out rather than failing the font. */
    public static NameTable read(Sfnt face) {
        return face.table("name")
                .filter(table -> table.length() >= RECORDS)
                .map(NameTable::read)
                .orElse(new NameTable(List.of()));
    }

    private static NameTable read(ByteView table) {
        int count = table.u16(COUNT);
        int storage = table.u16(STORAGE_OFFSET);
        List<NameRecord> records = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int at = RECORDS + RECORD * i;
            if (at + RECORD > table.length()) {
                break;
            }
            int length = table.u16(at + LENGTH);
            int start = storage + table.u16(at + OFFSET);
            if (length > MAX_TEXT || start + length > table.length()) {
                continue;
            }
            int platform = table.u16(at);
            String text = clean(table.text(start, length, charset(platform)));
            records.add(new NameRecord(
                    platform, table.u16(at + ENCODING), table.u16(at + LANGUAGE), table.u16(at + NAME_ID), text));
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
                .filter(record -> record.platform() == WINDOWS)
                .map(record -> record.nameId() + record.text())
                .collect(Collectors.toSet());
        return new NameTable(records.stream()
                .filter(record -> record.platform() != MACINTOSH || !said.contains(record.nameId() + record.text()))
                .toList());
    }

    static Charset charset(int platform) {
        if (platform == MACINTOSH) {
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
