package app.unciala.server.inventory;

import app.unciala.server.fault.Fault;
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
}
