package app.unciala.font.subset;

import app.unciala.font.table.CmapTable;
import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UScript;
import java.text.Normalizer;
import java.text.Normalizer.Form;
import java.util.BitSet;
import java.util.Map;

/**
 * The characters that text of the kept ones is set with. Shapers compose a letter and its marks where the font has them
 * as one character, take apart a character that the font lacks (UAX #15), and put others in its place.
 */
final class CharacterClosure {
    private static final int SPACE = ' ';
    private static final int HYPHEN = 0x2010;
    private static final int NO_BREAK_HYPHEN = 0x2011;
    /** Vowel signs of Khmer, Thai and Lao that shapers take apart although Unicode does not. */
    private static final Map<Integer, String> PARTS_OF_SIGNS = Map.of(
            0x17BE, "\u17C1",
            0x17BF, "\u17C1",
            0x17C0, "\u17C1",
            0x17C4, "\u17C1",
            0x17C5, "\u17C1",
            0x0E33, "\u0E4D\u0E32",
            0x0EB3, "\u0ECD\u0EB2");

    /** From here on, in scripts of India, shapers take letters apart although the font has them whole. */
    private static final int FIRST_TAKEN_APART = 0x1109A;

    private static final int FIRST_POINTED_HEBREW = 0xFB1D;
    private static final int LAST_POINTED_HEBREW = 0xFB4E;
    private static final int MOST_MARKS = 4;
    /** Ranges with characters that are canonically equal to others; all first and last code points. */
    private static final int[] EQUIVALENTS = {
        0x00C0, 0x1FFF, 0x2000, 0x2001, 0x2126, 0x212B, 0x219A, 0x22ED, 0x304C, 0x30FE, 0xAC00, 0xD7A3, 0xF900, 0xFB4E,
        0x1109A, 0x115BB
    };

    private final CmapTable cmap;
    private final BitSet kept = new BitSet();

    private CharacterClosure(CmapTable cmap) {
        this.cmap = cmap;
    }

    /** What to keep of a font when text of the plan's characters is to be set as in the whole font. */
    static BitSet of(SubsetPlan plan, CmapTable cmap) {
        BitSet asked = plan.codePoints();
        CharacterClosure closure = new CharacterClosure(cmap);
        for (int i = 0; i < cmap.size(); i++) {
            closure.kept.set(cmap.codePoint(i), asked.get(cmap.codePoint(i)));
        }
        BitSet composed = plan.composing() ? closure.composed() : new BitSet();
        closure.standIns(asked);
        closure.replacements();
        closure.kept.or(composed);
        closure.mirrors();
        if (plan.composing() && closure.kept.stream().anyMatch(Syllables::isMark)) {
            closure.kept.set(Syllables.DOTTED_CIRCLE, cmap.has(Syllables.DOTTED_CIRCLE));
        }
        return closure.kept;
    }

    /** For characters that the font lacks: their parts, a plain hyphen or space; a space for what is invisible. */
    private void standIns(BitSet asked) {
        BitSet added = new BitSet();
        for (int i = 0; i < EQUIVALENTS.length; i += 2) {
            for (int c = asked.nextSetBit(EQUIVALENTS[i]);
                    c >= 0 && c <= EQUIVALENTS[i + 1];
                    c = asked.nextSetBit(c + 1)) {
                if (!cmap.has(c) && Character.isDefined(c)) {
                    addParts(Character.toString(c), added);
                }
            }
        }
        if (asked.get(NO_BREAK_HYPHEN) && !cmap.has(NO_BREAK_HYPHEN)) {
            added.set(HYPHEN);
        }
        if (asked.stream().anyMatch(c -> isInvisible(c) || (isSpace(c) && !cmap.has(c)))) {
            added.set(SPACE);
        }
        added.stream().filter(cmap::has).forEach(kept::set);
    }

    /**
     * Characters that normal text does not have, such as U+0341, are set as those that it has in their place, and vowel
     * signs of several parts as their parts.
     */
    private void replacements() {
        BitSet added = new BitSet();
        kept.stream().filter(CharacterClosure::mayBeEquivalent).forEach(c -> {
            Form form = isCombining(c) || c >= FIRST_TAKEN_APART ? Form.NFD : Form.NFC;
            Normalizer.normalize(Character.toString(c), form)
                    .codePoints()
                    .filter(cmap::has)
                    .forEach(added::set);
        });
        PARTS_OF_SIGNS.forEach((sign, parts) -> {
            if (kept.get(sign)) {
                parts.codePoints().filter(cmap::has).forEach(added::set);
            }
        });
        kept.or(added);
    }

    /** Text from right to left has brackets and the like as their mirror images, which are characters of their own. */
    private void mirrors() {
        if (kept.stream().noneMatch(c -> UScript.isRightToLeft(UScript.getScript(c)))) {
            return;
        }
        BitSet mirrors = new BitSet();
        kept.stream()
                .filter(UCharacter::isMirrored)
                .map(UCharacter::getMirror)
                .filter(cmap::has)
                .forEach(mirrors::set);
        kept.or(mirrors);
    }

    /** The characters of the font that letters and marks among the kept ones compose to. */
    private BitSet composed() {
        BitSet composed = new BitSet();
        BitSet marks = new BitSet();
        kept.stream().filter(CharacterClosure::isCombining).forEach(marks::set);
        if (marks.isEmpty()) {
            return composed;
        }
        for (int i = 0; i < cmap.size(); i++) {
            int c = cmap.codePoint(i);
            if (!kept.get(c) && mayBeEquivalent(c) && isComposed(c, marks)) {
                composed.set(c);
            }
        }
        return composed;
    }

    /** Whether the character is one that is kept and some of the marks, in whatever order they stand. */
    private boolean isComposed(int c, BitSet marks) {
        int[] parts = decomposed(c).codePoints().toArray();
        int count = parts.length - 1;
        if (count < 1 || count > MOST_MARKS || !composesAgain(c)) {
            return false;
        }
        for (int taken = 1; taken < 1 << count; taken++) {
            StringBuilder rest = new StringBuilder().appendCodePoint(parts[0]);
            boolean have = true;
            for (int mark = 0; mark < count; mark++) {
                if ((taken >> mark & 1) == 0) {
                    rest.appendCodePoint(parts[mark + 1]);
                } else {
                    have &= marks.get(parts[mark + 1]);
                }
            }
            String base = Normalizer.normalize(rest, Form.NFC);
            if (have && base.codePointCount(0, base.length()) == 1 && kept.get(base.codePointAt(0))) {
                return true;
            }
        }
        return false;
    }

    /** Some characters are never composed to, but shapers do so for Hebrew letters with points. */
    private static boolean composesAgain(int c) {
        return (c >= FIRST_POINTED_HEBREW && c <= LAST_POINTED_HEBREW)
                || Normalizer.normalize(decomposed(c), Form.NFC).equals(Character.toString(c));
    }

    /** Adds a letter's parts, and what they come to as they are composed one after the other. */
    static void addParts(String letter, BitSet characters) {
        int[] parts = Normalizer.normalize(letter, Form.NFD).codePoints().toArray();
        for (int count = 1; count <= parts.length; count++) {
            characters.set(parts[count - 1]);
            Normalizer.normalize(new String(parts, 0, count), Form.NFC)
                    .codePoints()
                    .forEach(characters::set);
        }
    }

    private static String decomposed(int c) {
        return Normalizer.normalize(Character.toString(c), Form.NFD);
    }

    private static boolean mayBeEquivalent(int c) {
        for (int i = 0; i < EQUIVALENTS.length; i += 2) {
            if (c >= EQUIVALENTS[i] && c <= EQUIVALENTS[i + 1]) {
                return true;
            }
        }
        return false;
    }

    static boolean isCombining(int c) {
        int type = Character.getType(c);
        boolean vowelOrFinal = c >= 0x1161 && c <= 0x11FF;
        return type == Character.NON_SPACING_MARK || type == Character.COMBINING_SPACING_MARK || vowelOrFinal;
    }

    private static boolean isSpace(int c) {
        return Character.getType(c) == Character.SPACE_SEPARATOR;
    }

    /** Joiners, selectors and the like, which are set as a space of no width. */
    private static boolean isInvisible(int c) {
        return Character.getType(c) == Character.FORMAT
                || c == 0x034F
                || c == 0x17B4
                || c == 0x17B5
                || (c >= 0x180B && c <= 0x180F)
                || (c >= 0xFE00 && c <= 0xFE0F);
    }
}
