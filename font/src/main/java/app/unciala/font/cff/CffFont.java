package app.unciala.font.cff;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.variation.ItemVariationStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The parts of a {@code CFF } (Technical Note 5176) or {@code CFF2} table (OpenType 1.9): DICTs, INDEXes, charset.
 * Each glyph selects a font DICT; without font DICTs, the top DICT serves as the only one.
 */
public record CffFont(
        boolean isCff2,
        byte[] name,
        CffDict top,
        CffIndex strings,
        CffIndex globalSubrs,
        CffIndex charStrings,
        List<FontDict> dicts,
        boolean hasFontDicts,
        int[] fontDicts,
        CffCharset charset,
        Optional<ByteView> variationStore,
        Optional<int[]> regionCounts) {
    /** Strings that every font has without listing them. */
    public static final int STANDARD_STRINGS = 391;

    /** Where the header says how long it is, and that of CFF2, after it, how long the top DICT is. */
    static final int HEADER_SIZE = 2;

    /** The header that is written: version, its own length, and the size of offsets, which no reader looks at. */
    static final int HEADER = 4;

    static final int OFFSET_SIZE = 4;

    private static final int TOP_DICT_LENGTH = 3;
    /** The length that stands before the variation store in CFF2. */
    private static final int STORE_LENGTH = 2;

    /** Formats of FDSelect: the font DICT of each glyph, and ranges of glyphs with 16-bit or 32-bit numbers. */
    private static final int SELECT_EACH = 0;

    private static final int SELECT_RANGES = 3;
    private static final int SELECT_LONG_RANGES = 4;

    /** The header of version 1. */
    public static ByteSink header() {
        return new ByteSink().u8(1).u8(0).u8(HEADER).u8(OFFSET_SIZE);
    }

    /** The header of CFF2, before a top DICT of so many bytes. */
    public static ByteSink header2(int topDictLength) {
        return new ByteSink().u8(2).u8(0).u8(TOP_DICT_LENGTH + 2).u16(topDictLength);
    }

    /** A font DICT with its private DICT and the subroutines of that. */
    record FontDict(CffDict dict, CffDict privateDict, CffIndex localSubrs) {}

    public static CffFont read(ByteView table) {
        return table.table().equals("CFF2") ? readCff2(table) : readCff(table);
    }

    private static CffFont readCff(ByteView table) {
        CffIndex names = CffIndex.read(table, table.u8(HEADER_SIZE));
        CffIndex topDicts = CffIndex.read(table, names.end());
        CffIndex strings = CffIndex.read(table, topDicts.end());
        CffIndex globalSubrs = CffIndex.read(table, strings.end());
        CffDict top = CffDict.read(topDicts.get(0));
        CffIndex charStrings = CffIndex.read(table, charStringsAt(table, top));
        boolean hasFontDicts = top.offset(DictOperators.FD_ARRAY).isPresent();
        if (hasFontDicts && top.offset(DictOperators.FD_SELECT).isEmpty()) {
            throw new FontException("CFF ", -1, "has font DICTs but does not select among them");
        }
        CffCharset charset =
                CffCharset.of(table, top.offset(DictOperators.CHARSET).orElse(0), charStrings.count());
        return new CffFont(
                false,
                names.count() == 0 ? new byte[0] : names.get(0).toArray(),
                top,
                strings,
                globalSubrs,
                charStrings,
                fontDicts(table, top),
                hasFontDicts,
                fontDictOf(table, top, charStrings.count()),
                charset,
                Optional.empty(),
                Optional.empty());
    }

    /** In CFF2 the top DICT follows the header without an INDEX around it, and there are no names or strings. */
    private static CffFont readCff2(ByteView table) {
        int headerSize = table.u8(HEADER_SIZE);
        int topLength = table.u16(TOP_DICT_LENGTH);
        CffDict top = CffDict.read(table.slice(headerSize, topLength));
        CffIndex globalSubrs = CffIndex.readLong(table, headerSize + topLength);
        CffIndex charStrings = CffIndex.readLong(table, charStringsAt(table, top));
        Optional<Integer> storeAt = top.offset(DictOperators.VARIATION_STORE);
        return new CffFont(
                true,
                new byte[0],
                top,
                CffIndex.none(table),
                globalSubrs,
                charStrings,
                fontDicts(table, top),
                top.offset(DictOperators.FD_ARRAY).isPresent(),
                fontDictOf(table, top, charStrings.count()),
                CffCharset.none(),
                storeAt.map(at -> table.slice(at + STORE_LENGTH, table.u16(at))),
                Optional.of(storeAt.map(at -> regionCounts(table, at)).orElse(new int[0])));
    }

    private static int charStringsAt(ByteView table, CffDict top) {
        return top.offset(DictOperators.CHAR_STRINGS)
                .orElseThrow(() -> new FontException(table.table(), -1, "has no charstrings"));
    }

    private static List<FontDict> fontDicts(ByteView table, CffDict top) {
        Optional<Integer> array = top.offset(DictOperators.FD_ARRAY);
        if (array.isEmpty()) {
            return List.of(fontDict(table, top));
        }
        CffIndex dicts = index(table, array.get());
        List<FontDict> read = new ArrayList<>();
        for (int i = 0; i < dicts.count(); i++) {
            read.add(fontDict(table, CffDict.read(dicts.get(i))));
        }
        return read;
    }

    private static FontDict fontDict(ByteView table, CffDict dict) {
        double[] range = dict.get(DictOperators.PRIVATE).orElse(new double[0]);
        if (range.length < 2) {
            return new FontDict(dict, CffDict.read(table.slice(0, 0)), CffIndex.none(table));
        }
        int at = (int) range[1];
        CffDict privateDict = CffDict.read(table.slice(at, (int) range[0]));
        CffIndex subrs = privateDict
                .offset(DictOperators.SUBRS)
                .map(offset -> index(table, at + offset))
                .orElse(CffIndex.none(table));
        return new FontDict(dict, privateDict, subrs);
    }

    private static CffIndex index(ByteView table, int at) {
        return table.table().equals("CFF2") ? CffIndex.readLong(table, at) : CffIndex.read(table, at);
    }

    /** How many regions each set of deltas in the variation store has. */
    private static int[] regionCounts(ByteView table, int at) {
        ItemVariationStore store = ItemVariationStore.read(table.from(at + STORE_LENGTH));
        return IntStream.range(0, store.setCount()).map(store::columnCount).toArray();
    }

    private static int[] fontDictOf(ByteView table, CffDict top, int numGlyphs) {
        int[] fontDictOf = new int[numGlyphs];
        top.offset(DictOperators.FD_SELECT).ifPresent(at -> readFdSelect(table.from(at), fontDictOf));
        return fontDictOf;
    }

    private static void readFdSelect(ByteView select, int[] fontDictOf) {
        int format = select.u8(0);
        switch (format) {
            case SELECT_EACH -> {
                for (int glyph = 0; glyph < fontDictOf.length; glyph++) {
                    fontDictOf[glyph] = select.u8(1 + glyph);
                }
            }
            // A range is a first glyph and a font DICT; it ends where the next begins.
            case SELECT_RANGES -> {
                int ranges = select.u16(1);
                for (int at = 3; at < 3 + 3 * ranges; at += 3) {
                    fill(fontDictOf, select.u16(at), select.u16(at + 3), select.u8(at + 2));
                }
            }
            case SELECT_LONG_RANGES -> {
                int ranges = select.offset32(1);
                for (int i = 0; i < ranges; i++) {
                    int at = 5 + 6 * i;
                    fill(fontDictOf, select.u32(at), select.u32(at + 6), select.u16(at + 4));
                }
            }
            default -> throw new FontException(select.table(), -1, "has an FDSelect of unknown format " + format);
        }
    }

    private static void fill(int[] fontDictOf, long first, long next, int dict) {
        for (int glyph = (int) Math.min(first, fontDictOf.length); glyph < Math.min(next, fontDictOf.length); glyph++) {
            fontDictOf[glyph] = dict;
        }
    }

    public boolean isCidKeyed() {
        return top.get(DictOperators.ROS).isPresent();
    }

    public int fontDictOf(int glyph) {
        int dict = glyph >= 0 && glyph < fontDicts.length ? fontDicts[glyph] : 0;
        if (dict >= dicts.size()) {
            throw new FontException("CFF ", -1, "selects font DICT " + dict + " of " + dicts.size());
        }
        return dict;
    }

    public CffDict fontDict(int dict) {
        return dicts.get(dict).dict();
    }

    public CffDict privateDict(int dict) {
        return dicts.get(dict).privateDict();
    }

    public CffIndex localSubrs(int dict) {
        return dicts.get(dict).localSubrs();
    }

    /** The set of deltas that a charstring blends with until it says otherwise. */
    public int deltaSet(int dict) {
        return privateDict(dict).offset(DictOperators.VSINDEX).orElse(0);
    }

    /** A string beyond the standard ones. */
    public ByteView string(int number) {
        return strings.get(number - STANDARD_STRINGS);
    }
}
