package app.unciala.font.rename;

import app.unciala.font.FontException;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.face.StyleNames;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import java.util.List;

/**
 * Gives a face another family name: in every name record that carries it, on every platform and in every language, and
 * in the names made from it (full name, PostScript name, unique identifier). Copyright, trademark and license texts
 * stay word for word.
 */
public final class Renamer {
    private static final int MAX_POSTSCRIPT = 63;

    private final String family;
    private final String before;
    private final String subfamily;

    private Renamer(String family, FaceIdentity identity) {
        this.family = family;
        before = identity.family();
        // The new name stands for the family with its design size, which would otherwise be added to it again.
        subfamily = StyleNames.withoutDesignSize(identity.subfamily());
    }

    /**
     * Renames a face.
     *
     * @param family the new name: 1 to 100 characters, at least one of them an ASCII letter or digit, as the PostScript
     *     name is made of those
     * @throws FontException if the face has no family name to begin with
     * @throws IllegalArgumentException if the new name is none
     */
    public static Sfnt rename(Sfnt face, String family) {
        String name = family.strip();
        if (name.isEmpty() || name.length() > 100 || postScript(name).isEmpty()) {
            throw new IllegalArgumentException("“" + name + "” cannot be a family name: 1 to 100 characters, at least "
                    + "one of them an ASCII letter or digit");
        }
        Renamer renamer = new Renamer(name, FaceIdentifier.identify(face));
        List<NameRecord> renamed =
                NameTable.read(face).records().stream().map(renamer::renamed).toList();
        return FaceNames.put(face, renamed);
    }

    private NameRecord renamed(NameRecord record) {
        String text = record.text();
        String renamed =
                switch (record.nameId()) {
                    case NameTable.FAMILY, NameTable.WWS_FAMILY -> family + styleAfterFamily(text);
                    case NameTable.TYPOGRAPHIC_FAMILY -> family;
                    case NameTable.TYPOGRAPHIC_SUBFAMILY -> withoutDesignSize(text);
                    case NameTable.FULL_NAME, NameTable.COMPATIBLE_FULL_NAME ->
                        text.startsWith(before) ? family + text.substring(before.length()) : family + " " + subfamily;
                    case NameTable.POSTSCRIPT_NAME -> postScriptName(text);
                    case NameTable.VARIATIONS_PREFIX -> postScript(family);
                    case NameTable.UNIQUE_ID ->
                        text.replace(before, family).replace(postScript(before), postScript(family));
                    default -> text;
                };
        return new NameRecord(record.platform(), record.encoding(), record.language(), record.nameId(), renamed);
    }

    private static String withoutDesignSize(String style) {
        String left = StyleNames.withoutDesignSize(style);
        return left.isEmpty() ? "Regular" : left;
    }

    /** Name 1 of a face outside the four styles carries its style: "Harrow Light" keeps " Light". */
    private String styleAfterFamily(String text) {
        return text.startsWith(before + " ") ? text.substring(before.length()) : "";
    }

    private String postScriptName(String text) {
        int dash = text.lastIndexOf('-');
        String style = dash >= 0 ? text.substring(dash + 1) : postScript(subfamily);
        String name = postScript(family) + (style.isEmpty() ? "" : "-" + style);
        return name.substring(0, Math.min(MAX_POSTSCRIPT, name.length()));
    }

    /** Letters and digits only, which is narrower than what a PostScript name may hold, and safe as a file name. */
    static String postScript(String name) {
        return name.replaceAll("[^A-Za-z0-9]", "");
    }
}
