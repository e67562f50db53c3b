package app.unciala.server.inventory;

import app.unciala.server.fault.Fault;
import com.google.common.base.Utf8;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Locale;

/** Texts as they are kept: cut to the length of their column, or brought into a form in which they compare equal. */
public final class Texts {
    private static final int LONGEST_NAME = 300;

    private Texts() {}

    /** The first characters of a text, at most as many as a column holds. */
    public static String cut(String text, int length) {
        return text.length() > length ? text.substring(0, length) : text;
    }

    /** A family's name without case, spaces, hyphens and compatibility forms, so that one family has one name. */
    public static String familyKey(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFKC)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[\\s_-]+", "");
    }

    /** A family's name as it is kept; refused under the name of its field where it is none. */
    public static String familyName(String field, String name) {
        if (familyKey(name).isEmpty() || name.length() > LONGEST_NAME) {
            throw Fault.invalid(field, "A family name has between 1 and 300 characters.");
        }
        return name.strip();
    }

    /** The last part of a path within an archive. */
    public static String baseName(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    /**
     * The text of a plain file: UTF-8; UTF-16 where it begins with a byte order mark; and for bytes that are neither the
     * old eight-bit text of Western systems.
     */
    public static String decoded(byte[] bytes) {
        if (Utf8.isWellFormed(bytes)) {
            return new String(bytes, StandardCharsets.UTF_8);
        }
        return new String(bytes, isUtf16(bytes) ? StandardCharsets.UTF_16 : Charset.forName("windows-1252"));
    }

    /** Whether bytes begin with the byte order mark of UTF-16, in either order. */
    public static boolean isUtf16(byte[] bytes) {
        return bytes.length >= 2
                && ((bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF)
                        || (bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE));
    }
}
