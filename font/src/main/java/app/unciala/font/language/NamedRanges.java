package app.unciala.font.language;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UProperty;
import com.ibm.icu.text.UnicodeSet;
import java.util.BitSet;
import java.util.Optional;

/** Characters by the names that the Unicode Standard gives to blocks and scripts, such as "Latin-1 Supplement". */
public final class NamedRanges {
    private NamedRanges() {}

    /**
     * The assigned characters of a block, or else the characters of a script, without those it shares with others.
     *
     * @throws IllegalArgumentException if Unicode has neither a block nor a script of that name
     */
    public static BitSet of(String name) {
        return block(name)
                .or(() -> script(name))
                .orElseThrow(() -> new IllegalArgumentException(
                        name + " is neither a Unicode block nor a script; write \"Latin-1 Supplement\" or \"Greek\""));
    }

    private static Optional<BitSet> block(String name) {
        try {
            return Optional.of(characters(new UnicodeSet()
                    .applyIntPropertyValue(UProperty.BLOCK, UCharacter.getPropertyValueEnum(UProperty.BLOCK, name))
                    .retainAll(new UnicodeSet("[[:^C:][:Cf:]]"))));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Optional<BitSet> script(String name) {
        try {
            int script = UCharacter.getPropertyValueEnum(UProperty.SCRIPT, name);
            return Optional.of(characters(new UnicodeSet().applyIntPropertyValue(UProperty.SCRIPT, script)));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
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
