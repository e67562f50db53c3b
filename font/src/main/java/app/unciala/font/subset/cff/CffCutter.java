package app.unciala.font.subset.cff;

import static app.unciala.font.cff.DictWriter.offset;
import static app.unciala.font.cff.DictWriter.operator;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.cff.CffCharset;
import app.unciala.font.cff.CffDict;
import app.unciala.font.cff.CffFont;
import app.unciala.font.cff.CffIndex;
import app.unciala.font.cff.CharStringOperators;
import app.unciala.font.cff.DictOperators;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntUnaryOperator;

/**
 * Writes a {@code CFF } or {@code CFF2} table for fewer glyphs: their charstrings with subroutines put in place, the
 * font DICTs they select, and the strings still named.
 */
public final class CffCutter {
    /** UniqueID and XUID name the font before the cut, and the encoding is that of its glyphs. */
    private static final Set<Integer> STALE =
            Set.of(DictOperators.UNIQUE_ID, DictOperators.XUID, DictOperators.ENCODING);

    /** Format 3 of FDSelect: ranges of glyphs. */
    private static final int SELECT_RANGES = 3;

    private final CffFont font;
    private final int[] kept;
    private final boolean hinting;
    private final Map<Integer, Integer> strings = new LinkedHashMap<>();

    private CffCutter(CffFont font, int[] kept, boolean hinting) {
        this.font = font;
        this.kept = kept;
        this.hinting = hinting;
    }

    /**
     * The table with {@code count} glyphs, glyph i being what {@code before} says it was; -1 stands for an empty one.
     *
     * @throws FontException if a charstring is damaged
     */
    public static byte[] cut(ByteView table, int count, IntUnaryOperator before, boolean hinting) {
        int[] kept = new int[count];
        Arrays.setAll(kept, before);
        return new CffCutter(CffFont.read(table), kept, hinting).write();
    }

    private byte[] write() {
        List<byte[]> charStrings = new ArrayList<>();
        for (int glyph : kept) {
            charStrings.add(glyph < 0 ? emptyGlyph() : charString(glyph));
        }
        BitSet usedDicts = new BitSet();
        for (int glyph : kept) {
            usedDicts.set(font.fontDictOf(Math.max(glyph, 0)));
        }
        byte[] charset = font.isCff2() ? new byte[0] : charset();
        boolean selects = font.isCff2() ? usedDicts.cardinality() > 1 : font.hasFontDicts();
        byte[] select = selects ? fdSelect(usedDicts) : new byte[0];
        byte[] charStringIndex = index(charStrings);
        byte[] store = font.variationStore()
                .map(bytes -> new ByteSink().u16(bytes.length()).bytes(bytes).toArray())
                .orElse(new byte[0]);

        // Offsets are written in five bytes whatever their value, so the first try has the final lengths already, and
        // has met every string that is still named.
        Places places = new Places();
        if (font.hasFontDicts()) {
            fontDicts(usedDicts, places);
        }
        int headLength = head(places).length;
        int at = headLength;
        places.store = at;
        at += store.length;
        places.charset = at;
        at += charset.length;
        places.select = at;
        at += select.length;
        places.charStrings = at;
        at += charStringIndex.length;
        List<byte[]> privates = new ArrayList<>();
        for (int dict = usedDicts.nextSetBit(0); dict >= 0; dict = usedDicts.nextSetBit(dict + 1)) {
            byte[] bytes = privateDict(dict);
            places.privates.add(new int[] {bytes.length, at});
            privates.add(bytes);
            at += bytes.length;
        }
        places.dicts = at;
        byte[] head = head(places);
        if (head.length != headLength) {
            throw new IllegalStateException("the head of a CFF table changed its length");
        }
        ByteSink out = new ByteSink(at)
                .bytes(head)
                .bytes(store)
                .bytes(charset)
                .bytes(select)
                .bytes(charStringIndex);
        privates.forEach(out::bytes);
        if (font.hasFontDicts()) {
            out.bytes(fontDicts(usedDicts, places));
        }
        return out.toArray();
    }

    /** Where the parts behind the head begin, in bytes from the start of the table. */
    private static final class Places {
        int store;
        int charset;
        int select;
        int charStrings;
        int dicts;
        final List<int[]> privates = new ArrayList<>();

        /** Length and place of a private DICT; zeros before they are known. */
        int[] privateDict(int i) {
            return i < privates.size() ? privates.get(i) : new int[2];
        }
    }

    private byte[] charString(int glyph) {
        int dict = font.fontDictOf(glyph);
        return new CharStringFlattener(
                        font.globalSubrs(), font.localSubrs(dict), font.regionCounts(), font.deltaSet(dict), hinting)
                .flatten(font.charStrings().get(glyph));
    }

    private byte[] emptyGlyph() {
        return font.isCff2() ? new byte[0] : new byte[] {CharStringOperators.ENDCHAR};
    }

    /** Header, names, top DICT, strings and the index of global subroutines, which is empty. */
    private byte[] head(Places places) {
        byte[] top = topDict(places);
        if (font.isCff2()) {
            return CffFont.header2(top.length).bytes(top).u32(0).toArray();
        }
        ByteSink out = CffFont.header().bytes(index(List.of(font.name()))).bytes(index(List.of(top)));
        List<byte[]> texts = new ArrayList<>();
        strings.keySet().forEach(string -> texts.add(font.string(string).toArray()));
        return out.bytes(index(texts)).u16(0).toArray();
    }

    private byte[] topDict(Places places) {
        ByteSink out = new ByteSink();
        for (CffDict.Entry entry : font.top().entries()) {
            switch (entry.operator()) {
                case DictOperators.CHARSET -> {
                    // The charset follows for every font that names its glyphs.
                }
                case DictOperators.CHAR_STRINGS ->
                    operator(offset(out, places.charStrings), DictOperators.CHAR_STRINGS);
                case DictOperators.FD_ARRAY -> operator(offset(out, places.dicts), DictOperators.FD_ARRAY);
                case DictOperators.FD_SELECT -> {
                    // One font DICT left needs no selection in CFF2; the head's first try counts the same way.
                    if (!font.isCff2() || needsSelect()) {
                        operator(offset(out, places.select), DictOperators.FD_SELECT);
                    }
                }
                case DictOperators.VARIATION_STORE ->
                    operator(offset(out, places.store), DictOperators.VARIATION_STORE);
                case DictOperators.PRIVATE -> {
                    int[] place = places.privateDict(0);
                    operator(offset(offset(out, place[0]), place[1]), DictOperators.PRIVATE);
                }
                default -> entry(out, entry);
            }
        }
        if (!font.isCff2()) {
            operator(offset(out, places.charset), DictOperators.CHARSET);
        }
        return out.toArray();
    }

    private boolean needsSelect() {
        return Arrays.stream(kept)
                        .map(glyph -> font.fontDictOf(Math.max(glyph, 0)))
                        .distinct()
                        .count()
                > 1;
    }

    private void entry(ByteSink out, CffDict.Entry entry) {
        if (STALE.contains(entry.operator()) && !font.isCff2()) {
            return;
        }
        if (DictOperators.NAMING.contains(entry.operator())) {
            for (double string : entry.operands()) {
                offset(out, string((int) string));
            }
        } else if (entry.operator() == DictOperators.ROS && entry.operands().length == 3) {
            offset(out, string((int) entry.operands()[0]));
            offset(out, string((int) entry.operands()[1]));
            offset(out, (int) entry.operands()[2]);
        } else {
            out.bytes(entry.bytes());
        }
        operator(out, entry.operator());
    }

    /** The new number of a string; the standard ones keep theirs. */
    private int string(int number) {
        return number < CffFont.STANDARD_STRINGS || font.isCff2()
                ? number
                : CffFont.STANDARD_STRINGS + strings.computeIfAbsent(number, key -> strings.size());
    }

    private byte[] privateDict(int dict) {
        ByteSink out = new ByteSink();
        for (CffDict.Entry entry : font.privateDict(dict).entries()) {
            boolean goes = entry.operator() == DictOperators.SUBRS
                    || (!hinting && DictOperators.HINTING.contains(entry.operator()));
            if (!goes) {
                operator(out.bytes(entry.bytes()), entry.operator());
            }
        }
        return out.toArray();
    }

    private byte[] fontDicts(BitSet used, Places places) {
        List<byte[]> dicts = new ArrayList<>();
        for (int dict = used.nextSetBit(0); dict >= 0; dict = used.nextSetBit(dict + 1)) {
            ByteSink out = new ByteSink();
            for (CffDict.Entry entry : font.fontDict(dict).entries()) {
                if (entry.operator() == DictOperators.PRIVATE) {
                    int[] place = places.privateDict(dicts.size());
                    operator(offset(offset(out, place[0]), place[1]), DictOperators.PRIVATE);
                } else {
                    entry(out, entry);
                }
            }
            dicts.add(out.toArray());
        }
        return index(dicts);
    }

    /** Ranges of glyphs that select the same font DICT. */
    private byte[] fdSelect(BitSet used) {
        ByteSink ranges = new ByteSink();
        int count = 0;
        int before = -1;
        for (int i = 0; i < kept.length; i++) {
            int dict = used.get(0, font.fontDictOf(Math.max(kept[i], 0))).cardinality();
            if (dict != before) {
                ranges.u16(i).u8(dict);
                before = dict;
                count++;
            }
        }
        return new ByteSink()
                .u8(SELECT_RANGES)
                .u16(count)
                .bytes(ranges)
                .u16(kept.length)
                .toArray();
    }

    /** Ranges of strings, or of character identifiers, that rise with the glyphs. */
    private byte[] charset() {
        ByteSink out = new ByteSink().u8(CffCharset.RANGES);
        int first = -1;
        int more = 0;
        for (int i = 1; i < kept.length; i++) {
            int named = kept[i] < 0 ? 0 : font.charset().string(kept[i]);
            int string = font.isCidKeyed() ? named : string(named);
            if (first >= 0 && string == first + more + 1) {
                more++;
                continue;
            }
            if (first >= 0) {
                out.u16(first).u16(more);
            }
            first = string;
            more = 0;
        }
        if (first >= 0) {
            out.u16(first).u16(more);
        }
        return out.toArray();
    }

    private byte[] index(List<byte[]> objects) {
        return CffIndex.write(objects, font.isCff2());
    }
}
