package app.unciala.font.language;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UProperty;
import com.ibm.icu.text.UnicodeSet;
import java.util.BitSet;

/** Characters by the names that the Unicode Standard gives to blocks and scripts, such as "Latin-1 Supplement". */
public final class NamedRanges {
    private NamedRanges() {}

    /**
     * The assigned characters of a block, or else those of a script with the characters it shares.
     *
     * @throws IllegalArgumentException if Unicode has neither a block nor a script of that name
     */
    public static BitSet of(String name) {
        return block(name)
                .or(() -> script(name))
                .orElseThrow(() -> new IllegalArgumentException(
                        name + " is neither a Unicode block nor a script; write \"Latin-1 Supplement\" or \"Greek\""));
    }

    private static java.util.Optional<BitSet> block(String name) {
        try {
            return java.util.Optional.of(characters(new UnicodeSet()
                    .applyIntPropertyValue(UProperty.BLOCK, UCharacter.getPropertyValueEnum(UProperty.BLOCK, name))
                    .retainAll(new UnicodeSet("[[:^C:][:Cf:]]"))));
        } catch (IllegalArgumentException e) {
            return java.util.Optional.empty();
        }
    }

    private static java.util.Optional<BitSet> script(String name) {
        try {
            int script = UCharacter.getPropertyValueEnum(UProperty.SCRIPT, name);
            return java.util.Optional.of(characters(new UnicodeSet().applyIntPropertyValue(UProperty.SCRIPT, script)));
        } catch (IllegalArgumentException e) {
            return java.util.Optional.empty();
        }
    }

    private static BitSet characters(UnicodeSet set) {
        BitSet characters = new BitSet();
        for (UnicodeSet.EntryRange range : set.ranges()) {
            characters.set(range.codepoint, range.codepointEnd + 1);
        }
        return characters;
    }
}
