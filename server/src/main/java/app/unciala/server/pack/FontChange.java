package app.unciala.server.pack;

import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import app.unciala.font.instance.StaticFaces;
import app.unciala.font.rename.Renamer;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.FvarTable;
import com.google.common.hash.Hashing;
import java.nio.charset.StandardCharsets;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What is changed in a font before it goes out.
 *
 * @param characters those that are kept; all without any
 * @param limited the slot that a variable font is limited to
 * @param family the family name that takes the place of the one inside, where anything is changed
 */
record FontChange(Optional<BitSet> characters, Optional<Slot> limited, Optional<String> family) {
    private static final Pattern NAME = Pattern.compile("pack-[0-9a-f]{16}\\.[a-z0-9]{2,5}");

    /** Whether nothing of a font in one format changes when it goes out in another but how it is compressed. */
    boolean leavesAlone(FontFormat from, FontFormat to) {
        boolean sameFont = to == from || to == FontFormat.WOFF2 || to == FontFormat.WOFF;
        return characters.isEmpty() && limited.isEmpty() && sameFont;
    }

    /** Whether a file goes out byte for byte. */
    boolean isNone(FontFormat from, FontFormat to) {
        return to == from && leavesAlone(from, to);
    }

    /**
     * The changed face.
     *
     * @throws app.unciala.font.FontException if it cannot be cut, as it has none of the characters
     */
    Sfnt of(Sfnt face, FontFormat from, FontFormat to) {
        Sfnt one = limited.map(slot -> limited(face, slot)).orElse(face);
        Sfnt named = family.filter(name -> !leavesAlone(from, to))
                .map(name -> Renamer.rename(one, name))
                .orElse(one);
        return characters
                .map(some -> Subsetter.subset(named, SubsetPlan.of(some)))
                .orElse(named);
    }

    private static Sfnt limited(Sfnt face, Slot slot) {
        Map<String, Double> values = new HashMap<>(
                Map.of("wght", slot.weight().min(), "wdth", slot.width().min()));
        values.keySet()
                .removeIf(tag ->
                        FvarTable.read(face).flatMap(fvar -> fvar.axis(tag)).isEmpty());
        return StaticFaces.at(face, values);
    }

    /** The name under which a file that was made is kept. */
    String name(FontFormat from, FontFormat to) {
        String what = characters.map(BitSet::toString).orElse("whole")
                + limited.map(Slot::key).orElse("")
                + family.filter(name -> !leavesAlone(from, to)).orElse("");
        return "pack-"
                + Hashing.sha256()
                        .hashString(what, StandardCharsets.UTF_8)
                        .toString()
                        .substring(0, 16) + "." + to.extension();
    }

    static boolean isName(String name) {
        return NAME.matcher(name).matches();
    }
}
