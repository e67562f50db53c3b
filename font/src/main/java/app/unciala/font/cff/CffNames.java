package app.unciala.font.cff;

import static app.unciala.font.cff.DictWriter.offset;
import static app.unciala.font.cff.DictWriter.operator;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Writes a {@code CFF } table under other names (Technical Note 5176, sections 7 to 10): that of the Name INDEX, and
 * FullName and FamilyName of the top DICT. Glyphs, hints and subroutines stay as they are, byte for byte.
 */
public final class CffNames {
    /** Offsets from the beginning of the table, but for the numbers of what is predefined. */
    private static final Set<Integer> OFFSETS =
            Set.of(DictOperators.CHARSET, DictOperators.ENCODING, DictOperators.CHAR_STRINGS, DictOperators.FD_SELECT);

    private static final int LAST_PREDEFINED = 2;

    private final ByteView table;
    private final CffDict top;
    private final CffIndex strings;
    private final int fullName;
    private final int familyName;

    private CffNames(ByteView table) {
        this.table = table;
        CffIndex topDicts = CffIndex.read(
                table, CffIndex.read(table, table.u8(CffFont.HEADER_SIZE)).end());
        if (topDicts.count() != 1) {
            throw new FontException(
                    "CFF ",
                    table.u8(CffFont.HEADER_SIZE),
                    "has " + topDicts.count() + " fonts, and OpenType wants one");
        }
        top = CffDict.read(topDicts.get(0));
        strings = CffIndex.read(table, topDicts.end());
        fullName = CffFont.STANDARD_STRINGS + strings.count();
        familyName = fullName + 1;
    }

    /**
     * The table under other names.
     *
     * @param postScriptName printable ASCII without spaces and brackets
     * @throws FontException if the table is damaged
     */
    public static byte[] write(ByteView table, String postScriptName, String fullName, String familyName) {
        return new CffNames(table).write(postScriptName, List.of(bytes(fullName), bytes(familyName)));
    }

    private byte[] write(String postScriptName, List<byte[]> added) {
        List<byte[]> all = new ArrayList<>();
        for (int i = 0; i < strings.count(); i++) {
            all.add(strings.get(i).toArray());
        }
        all.addAll(added);
        byte[] names = CffIndex.write(List.of(bytes(postScriptName)), false);
        byte[] stringIndex = CffIndex.write(all, false);
        // Offsets take five bytes each, so that the length does not depend on their values.
        int length = CffFont.HEADER + names.length + topDictIndex(0, 0).length + stringIndex.length;
        int shift = length - strings.end();
        ByteView rest = table.from(strings.end());
        ByteSink out = new ByteSink(length + rest.length())
                .bytes(table.slice(0, 2))
                .u8(CffFont.HEADER)
                .u8(CffFont.OFFSET_SIZE)
                .bytes(names)
                .bytes(topDictIndex(shift, length + rest.length()))
                .bytes(stringIndex)
                .bytes(rest);
        if (top.offset(DictOperators.FD_ARRAY).isPresent()) {
            out.bytes(fontDicts(top.offset(DictOperators.FD_ARRAY).get(), shift));
        }
        return out.toArray();
    }

    /** Font DICTs say where their private DICTs are, so they are written anew behind all else. */
    private byte[] fontDicts(int at, int shift) {
        CffIndex before = CffIndex.read(table, at);
        List<byte[]> dicts = new ArrayList<>();
        for (int i = 0; i < before.count(); i++) {
            dicts.add(dict(CffDict.read(before.get(i)), shift, 0));
        }
        return CffIndex.write(dicts, false);
    }

    private byte[] topDictIndex(int shift, int fontDictsAt) {
        ByteSink out = new ByteSink().bytes(dict(top, shift, fontDictsAt));
        operator(offset(out, fullName), DictOperators.FULL_NAME);
        operator(offset(out, familyName), DictOperators.FAMILY_NAME);
        return CffIndex.write(List.of(out.toArray()), false);
    }

    private static byte[] dict(CffDict dict, int shift, int fontDictsAt) {
        ByteSink out = new ByteSink();
        for (CffDict.Entry entry : dict.entries()) {
            double[] operands = entry.operands();
            switch (entry.operator()) {
                case DictOperators.FULL_NAME, DictOperators.FAMILY_NAME -> {
                    continue;
                }
                case DictOperators.FD_ARRAY -> offset(out, fontDictsAt);
                case DictOperators.PRIVATE -> {
                    if (operands.length != 2) {
                        throw new FontException("CFF ", -1, "has a private DICT without size and offset");
                    }
                    offset(offset(out, (int) operands[0]), (int) operands[1] + shift);
                }
                default -> {
                    if (OFFSETS.contains(entry.operator()) && operands.length == 1 && operands[0] > LAST_PREDEFINED) {
                        offset(out, (int) operands[0] + shift);
                    } else {
                        out.bytes(entry.bytes());
                    }
                }
            }
            operator(out, entry.operator());
        }
        return out.toArray();
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.ISO_8859_1);
    }
}
