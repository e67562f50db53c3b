package app.unciala.core.font.cff;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import app.unciala.core.font.outline.Outline;
import app.unciala.core.font.outline.Outlines;
import java.util.ArrayList;
import java.util.List;

/** The outlines of a {@code CFF } table (Technical Note 5176), of name-keyed and CID-keyed fonts. */
public final class CffOutlines implements Outlines {
    private final CffIndex charStrings;
    private final CffIndex globalSubrs;
    private final List<CffIndex> localSubrs;
    private final int[] fontDictOf;

    private CffOutlines(CffIndex charStrings, CffIndex globalSubrs, List<CffIndex> localSubrs, int[] fontDictOf) {
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
        return new CffOutlines(charStrings, globalSubrs, localSubrs, fontDictOf);
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
        return new CharStringRun(charStrings, globalSubrs, localSubrs.get(dict)).run(glyph);
    }

    private static CffIndex localSubrs(ByteView table, CffDict dict) {
        CffIndex none = new CffIndex(table, 0, 1, 0, 0, 0);
        double[] range = dict.get(CffDict.PRIVATE).orElse(new double[0]);
        if (range.length < 2) {
            return none;
        }
        int at = (int) range[1];
        CffDict privateDict = CffDict.read(table.slice(at, (int) range[0]));
        return privateDict
                .offset(CffDict.SUBRS)
                .map(offset -> CffIndex.read(table, at + offset))
                .orElse(none);
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
        } else {
            throw new FontException("CFF ", -1, "has an FDSelect of unknown format " + format);
        }
    }
}
