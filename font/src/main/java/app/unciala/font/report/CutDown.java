package app.unciala.font.report;

import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.Os2Table;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Signs that a face was cut to some characters after it was made. */
final class CutDown {
    /** The tag that PDF writers put before the name of a subset. */
    private static final Pattern SUBSET_TAG = Pattern.compile("[A-Z]{6}\\+.+");

    /** Bits of OS/2 ulUnicodeRange with the blocks they stand for (OpenType 1.9, "OS/2"), where fonts set them with care. */
    private static final int[][] RANGES = {
        {0, 0x20, 0x7E},
        {1, 0xA0, 0xFF},
        {2, 0x100, 0x17F},
        {7, 0x370, 0x3FF},
        {9, 0x400, 0x4FF},
        {10, 0x530, 0x58F},
        {11, 0x590, 0x5FF},
        {13, 0x600, 0x6FF},
        {15, 0x900, 0x97F},
        {16, 0x980, 0x9FF},
        {20, 0xB80, 0xBFF},
        {24, 0xE00, 0xE7F},
        {26, 0x10A0, 0x10FF},
        {29, 0x1E00, 0x1EFF},
        {30, 0x1F00, 0x1FFF},
        {33, 0x20A0, 0x20CF},
        {49, 0x3040, 0x309F},
        {50, 0x30A0, 0x30FF},
        {56, 0xAC00, 0xD7A3},
        {59, 0x4E00, 0x9FFF}
    };

    /** One block claimed by mistake is common. */
    private static final int WRONG_CLAIMS = 2;

    private static final int FEW_LETTERS = 26;

    private CutDown() {}

    /** What speaks for a cut; empty for a face that looks whole. */
    static List<String> signs(Sfnt face, NameTable names, CmapTable cmap) {
        List<String> signs = new ArrayList<>();
        names.best(NameTable.POSTSCRIPT_NAME)
                .filter(name -> SUBSET_TAG.matcher(name).matches())
                .ifPresent(name -> signs.add("PostScript name " + name + " is that of a subset"));
        Os2Table.read(face).ifPresent(os2 -> {
            List<String> empty = new ArrayList<>();
            for (int[] range : RANGES) {
                if (os2.claims(range[0]) && !cmap.hasAny(range[1], range[2])) {
                    empty.add(String.format("U+%04X–%04X", range[1], range[2]));
                }
            }
            if (empty.size() >= WRONG_CLAIMS) {
                signs.add("OS/2 says it serves " + String.join(", ", empty) + ", of which it has nothing");
            }
            if (os2.lastCharIndex() < 0xFFFF
                    && cmap.size() > 0
                    && (!cmap.has(os2.firstCharIndex()) || !cmap.has(os2.lastCharIndex()))
                    && cmap.size() < os2.lastCharIndex() - os2.firstCharIndex()
                    && os2.firstCharIndex() < cmap.codePoint(0)) {
                signs.add(
                        String.format("OS/2 says its first character is U+%04X, which it lacks", os2.firstCharIndex()));
            }
        });
        int letters = cmap.count('A', 'Z') + cmap.count('a', 'z');
        if (letters > 0 && letters < FEW_LETTERS && cmap.size() < 100) {
            signs.add("has only " + letters + " of the 52 letters A to Z and a to z");
        }
        return signs;
    }
}
