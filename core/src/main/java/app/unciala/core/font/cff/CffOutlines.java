package app.unciala.core.font.cff;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import app.unciala.core.font.outline.Outline;
import app.unciala.core.font.outline.Outlines;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The outlines of a {@code CFF } (Technical Note 5176) or {@code CFF2} table; of variable ones, the default. */
public final class CffOutlines implements Outlines {
    private final CffIndex charStrings;
    private final CffIndex globalSubrs;
    private final List<CffIndex> localSubrs;
    private final int[] fontDictOf;
    private final Optional<int[]> regionCounts;
    private final CffCharset charset;

    private CffOutlines(
            CffIndex charStrings,
            CffIndex globalSubrs,
            List<CffIndex> localSubrs,
            int[] fontDictOf,
            Optional<int[]> regionCounts,
            CffCharset charset) {
        this.charset = charset;
        this.regionCounts = regionCounts;
        this.charStrings = charStrings;
        this.globalSubrs = globalSubrs;
        this.localSubrs = localSubrs;
        this.fontDictOf = fontDictOf;
    }

    public static CffOutlines read(ByteView table) {
        CffIndex names = CffIndex.read(table, table.u8(2));
        CffIndex topDicts = CffIndex.read(table, names.end());
        CffIndex strings = CffIndex.read(table, topDicts.end());
        CffIndex globalSubrs = CffIndex.read(table, strings.end());
        CffDict top = CffDict.read(topDicts.get(0));
        int at =
                top.offset(CffDict.CHAR_STRINGS).orElseThrow(() -> new FontException("CFF ", -1, "has no charstrings"));
        CffIndex charStrings = CffIndex.read(table, at);
        List<CffIndex> localSubrs = new ArrayList<>();
        int[] fontDictOf = new int[charStrings.count()];
        if (top.offset(CffDict.FD_ARRAY).isPresent()) {
            CffIndex dicts = CffIndex.read(table, top.offset(CffDict.FD_ARRAY).get());
            for (int i = 0; i < dicts.count(); i++) {
                localSubrs.add(localSubrs(table, CffDict.read(dicts.get(i))));
            }
            int select = top.offset(CffDict.FD_SELECT)
                    .orElseThrow(() -> new FontException("CFF ", -1, "has font DICTs but does not select among them"));
            readFdSelect(table.from(select), fontDictOf);
        } else {
            localSubrs.add(localSubrs(table, top));
        }
        return new CffOutlines(
                charStrings,
                globalSubrs,
                localSubrs,
                fontDictOf,
                Optional.empty(),
                CffCharset.of(table, top.offset(CffDict.CHARSET).orElse(0), charStrings.count()));
    }

    /** OpenType 1.9, "CFF2": the top DICT stands bare after the header, and there are no names or strings. */
    public static CffOutlines readCff2(ByteView table) {
        int headerSize = table.u8(2);
        int topLength = table.u16(3);
        CffDict top = CffDict.read(table.slice(headerSize, topLength));
        CffIndex globalSubrs = CffIndex.readWide(table, headerSize + topLength);
        int at =
                top.offset(CffDict.CHAR_STRINGS).orElseThrow(() -> new FontException("CFF2", -1, "has no charstrings"));
        CffIndex charStrings = CffIndex.readWide(table, at);
        int[] fontDictOf = new int[charStrings.count()];
        List<CffIndex> localSubrs = new ArrayList<>();
        top.offset(CffDict.FD_ARRAY).ifPresent(array -> {
            CffIndex dicts = CffIndex.readWide(table, array);
            for (int i = 0; i < dicts.count(); i++) {
                localSubrs.add(localSubrs(table, CffDict.read(dicts.get(i))));
            }
        });
        top.offset(CffDict.FD_SELECT).ifPresent(select -> readFdSelect(table.from(select), fontDictOf));
        int[] regionCounts = top.offset(CffDict.VARIATION_STORE)
                .map(store -> regionCounts(table, store))
                .orElse(new int[0]);
        return new CffOutlines(
                charStrings, globalSubrs, localSubrs, fontDictOf, Optional.of(regionCounts), CffCharset.none());
    }

    /** How many regions each set of deltas in the variation store has. */
    private static int[] regionCounts(ByteView table, int at) {
        ByteView store = table.from(at + 2);
        int[] counts = new int[store.u16(6)];
        for (int i = 0; i < counts.length; i++) {
            counts[i] = store.u16(store.offset32(8 + 4 * i) + 4);
        }
        return counts;
    }

    @Override
    public int numGlyphs() {
        return charStrings.count();
    }

    @Override
    public Outline outline(int glyph) {
        int dict = glyph >= 0 && glyph < fontDictOf.length ? fontDictOf[glyph] : 0;
        if (dict >= localSubrs.size()) {
            throw new FontException("CFF ", -1, "selects font DICT " + dict + " of " + localSubrs.size());
        }
        return new CharStringRun(charStrings, globalSubrs, localSubrs.get(dict), regionCounts, charset).run(glyph);
    }

    private static CffIndex localSubrs(ByteView table, CffDict dict) {
        double[] range = dict.get(CffDict.PRIVATE).orElse(new double[0]);
        if (range.length < 2) {
            return CffIndex.none(table);
        }
        int at = (int) range[1];
        CffDict privateDict = CffDict.read(table.slice(at, (int) range[0]));
        return privateDict
                .offset(CffDict.SUBRS)
                .map(offset ->
                        isWide(table) ? CffIndex.readWide(table, at + offset) : CffIndex.read(table, at + offset))
                .orElse(CffIndex.none(table));
    }

    private static boolean isWide(ByteView table) {
        return table.table().equals("CFF2");
    }

    private static void readFdSelect(ByteView select, int[] fontDictOf) {
        int format = select.u8(0);
        if (format == 0) {
            for (int glyph = 0; glyph < fontDictOf.length; glyph++) {
                fontDictOf[glyph] = select.u8(1 + glyph);
            }
        } else if (format == 3) {
            int ranges = select.u16(1);
            for (int i = 0; i < ranges; i++) {
                int first = select.u16(3 + 3 * i);
                int next = Math.min(select.u16(6 + 3 * i), fontDictOf.length);
                for (int glyph = first; glyph < next; glyph++) {
                    fontDictOf[glyph] = select.u8(5 + 3 * i);
                }
            }
        } else if (format == 4) {
            int ranges = select.offset32(1);
            for (int i = 0; i < ranges; i++) {
                int first = select.offset32(5 + 6 * i);
                int next = (int) Math.min(select.u32(11 + 6 * i), fontDictOf.length);
                for (int glyph = first; glyph < next; glyph++) {
                    fontDictOf[glyph] = select.u16(9 + 6 * i);
                }
            }
        } else {
            throw new FontException("CFF ", -1, "has an FDSelect of unknown format " + format);
        }
    }
}
