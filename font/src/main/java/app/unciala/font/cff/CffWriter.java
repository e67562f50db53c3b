package app.unciala.font.cff;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.outline.Outline;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * Writes a {@code CFF } table (Technical Note 5176) of outlines, without hints and subroutines. Glyphs are named by
 * their numbers, as nothing reads those names in a font with a {@code cmap}.
 */
public final class CffWriter {
    private CffWriter() {}

    /** {@code advances} are in font units, as many as outlines; quadratic curves become cubic ones of the same shape. */
    public static byte[] write(String postScriptName, List<Outline> outlines, int[] advances, int unitsPerEm) {
        List<byte[]> charStrings = new ArrayList<>();
        for (int i = 0; i < outlines.size(); i++) {
            CharStringWriter writer = new CharStringWriter();
            writer.number(advances[i]);
            outlines.get(i).visit(writer);
            charStrings.add(writer.end());
        }
        byte[] names = CffIndex.write(List.of(postScriptName.getBytes(StandardCharsets.ISO_8859_1)), false);
        byte[] charStringIndex = CffIndex.write(charStrings, false);
        byte[] charset = new ByteSink()
                .u8(CffCharset.RANGES)
                .u16(CffFont.STANDARD_STRINGS)
                .u16(Math.max(0, outlines.size() - 2))
                .toArray();
        List<byte[]> strings = new ArrayList<>();
        for (int i = 1; i < outlines.size(); i++) {
            strings.add(("g" + i).getBytes(StandardCharsets.ISO_8859_1));
        }
        byte[] stringIndex = CffIndex.write(strings, false);
        int headLength =
                CffFont.HEADER + names.length + topDictIndex(0, 0, 0, unitsPerEm).length + stringIndex.length + 2;
        int charStringsAt = headLength + charset.length;
        int privateAt = charStringsAt + charStringIndex.length;
        return CffFont.header()
                .bytes(names)
                .bytes(topDictIndex(headLength, charStringsAt, privateAt, unitsPerEm))
                .bytes(stringIndex)
                .u16(0)
                .bytes(charset)
                .bytes(charStringIndex)
                .toArray();
    }

    /** With empty private DICT, whose nominal width is zero; and a matrix where the em has not 1000 units. */
    private static byte[] topDictIndex(int charset, int charStrings, int privateAt, int unitsPerEm) {
        ByteSink out = new ByteSink();
        if (unitsPerEm != 1000) {
            for (int i = 0; i < 6; i++) {
                if (i == 0 || i == 3) {
                    real(out, 1.0 / unitsPerEm);
                } else {
                    out.u8(CffNumbers.ZERO);
                }
            }
            DictWriter.operator(out, DictOperators.FONT_MATRIX);
        }
        DictWriter.operator(DictWriter.offset(out, charset), DictOperators.CHARSET);
        DictWriter.operator(DictWriter.offset(out, charStrings), DictOperators.CHAR_STRINGS);
        DictWriter.operator(DictWriter.offset(DictWriter.offset(out, 0), privateAt), DictOperators.PRIVATE);
        return CffIndex.write(List.of(out.toArray()), false);
    }

    /** A real number as nibbles: figures, 10 for the point, 12 for "E-", 15 for the end. */
    private static void real(ByteSink out, double value) {
        StringBuilder nibbles = new StringBuilder();
        String text = String.format(java.util.Locale.ROOT, "%.8f", value);
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            nibbles.append(c == '.' ? 'a' : c);
        }
        nibbles.append(nibbles.length() % 2 == 0 ? "ff" : "f");
        out.u8(CffNumbers.REAL);
        for (int i = 0; i < nibbles.length(); i += 2) {
            out.u8(Integer.parseInt(nibbles.substring(i, i + 2), 16));
        }
    }

    /** Type 2 operators (Technical Note 5177): moves, lines and curves relative to the point before. */
    private static final class CharStringWriter implements Outline.Visitor {
        private final ByteSink out = new ByteSink();
        private double x;
        private double y;

        @Override
        public void moveTo(double toX, double toY) {
            relative(toX, toY);
            out.u8(CharStringOperators.RMOVETO);
        }

        @Override
        public void lineTo(double toX, double toY) {
            relative(toX, toY);
            out.u8(CharStringOperators.RLINETO);
        }

        @Override
        public void quadTo(double cx, double cy, double toX, double toY) {
            curveTo(
                    x + (cx - x) * 2 / 3,
                    y + (cy - y) * 2 / 3,
                    toX + (cx - toX) * 2 / 3,
                    toY + (cy - toY) * 2 / 3,
                    toX,
                    toY);
        }

        @Override
        public void curveTo(double c1x, double c1y, double c2x, double c2y, double toX, double toY) {
            relative(c1x, c1y);
            relative(c2x, c2y);
            relative(toX, toY);
            out.u8(CharStringOperators.RRCURVETO);
        }

        byte[] end() {
            return out.u8(CharStringOperators.ENDCHAR).toArray();
        }

        /** Rounded to the 1/65536 that the format has, from rounded point to rounded point, so errors do not add up. */
        private void relative(double toX, double toY) {
            double nextX = Math.rint(toX * 65536) / 65536;
            double nextY = Math.rint(toY * 65536) / 65536;
            number(nextX - x);
            number(nextY - y);
            x = nextX;
            y = nextY;
        }

        void number(double value) {
            CffNumbers.write(out, value);
        }
    }
}
