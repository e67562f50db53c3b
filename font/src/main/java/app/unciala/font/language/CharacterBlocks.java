package app.unciala.font.language;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UProperty;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Characters under the blocks of the Unicode Standard that they stand in. */
public final class CharacterBlocks {
    private CharacterBlocks() {}

    /** A block, such as "Latin Extended-A", with those of its characters that are there, ascending. */
    public record Block(String name, String characters) {}

    /** The blocks of code points, in the order in which they first come; control characters are left out. */
    public static List<Block> of(int[] codePoints) {
        Map<Integer, StringBuilder> byBlock = new LinkedHashMap<>();
        for (int codePoint : codePoints) {
            if (!Character.isISOControl(codePoint)) {
                int block = UCharacter.getIntPropertyValue(codePoint, UProperty.BLOCK);
                byBlock.computeIfAbsent(block, key -> new StringBuilder()).appendCodePoint(codePoint);
            }
        }
        List<Block> blocks = new ArrayList<>();
        byBlock.forEach((block, characters) -> blocks.add(new Block(name(block), characters.toString())));
        return blocks;
    }

    /** Property files write names with low lines for spaces, and for hyphens too. */
    private static String name(int block) {
        return UCharacter.getPropertyValueName(UProperty.BLOCK, block, UProperty.NameChoice.LONG)
                .replace('_', ' ')
                .replaceFirst(" ([A-Z])$", "-$1")
                .replace("Latin 1 ", "Latin-1 ");
    }
}
