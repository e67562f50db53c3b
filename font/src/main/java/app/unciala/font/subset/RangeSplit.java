package app.unciala.font.subset;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;

/**
 * Divides the characters of a face among several files, so that a page fetches only those it has text for. A mark
 * goes into every part that has an accented letter with it, for a letter and its marks are set from one file.
 */
public final class RangeSplit {
    /** One file to be: a name to call it by, and its characters. */
    public record Part(String name, BitSet codePoints) {}

    private static final String REST = "other";

    private RangeSplit() {}

    /**
     * Divides characters. One that is in several ranges goes to the first; what is in none makes a part of its own.
     *
     * @param codePoints all characters of the face
     * @param ranges characters by name, in the order in which the parts come
     */
    public static List<Part> of(int[] codePoints, Map<String, BitSet> ranges) {
        BitSet all = new BitSet();
        Arrays.stream(codePoints).forEach(all::set);
        BitSet rest = (BitSet) all.clone();
        List<Part> parts = new ArrayList<>();
        ranges.forEach((name, range) -> add(parts, name, range, rest, all));
        add(parts, REST, (BitSet) rest.clone(), rest, all);
        return parts;
    }

    private static void add(List<Part> parts, String name, BitSet range, BitSet rest, BitSet all) {
        BitSet taken = (BitSet) range.clone();
        taken.and(rest);
        rest.andNot(taken);
        if (!taken.isEmpty()) {
            BitSet marks = marksIn(taken);
            marks.and(all);
            taken.or(marks);
            parts.add(new Part(name, taken));
        }
    }

    /** The marks that the characters are composed with (Unicode Standard Annex 15). */
    private static BitSet marksIn(BitSet characters) {
        BitSet marks = new BitSet();
        characters.stream()
                .forEach(character -> Normalizer.normalize(Character.toString(character), Normalizer.Form.NFD)
                        .codePoints()
                        .filter(part -> Character.getType(part) == Character.NON_SPACING_MARK)
                        .forEach(marks::set));
        return marks;
    }
}
