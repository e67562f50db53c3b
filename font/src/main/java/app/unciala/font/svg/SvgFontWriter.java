package app.unciala.font.svg;

import app.unciala.font.FontException;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.Outlines;
import app.unciala.font.outline.PathData;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HheaTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.Os2Table;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** Writes an SVG font (SVG 1.1, chapter 20): one glyph for each character, without layout features. */
public final class SvgFontWriter {
    private final Sfnt face;
    private final CmapTable cmap;
    private final Outlines outlines;
    private final HmtxTable metrics;
    private final StringBuilder svg = new StringBuilder();

    private SvgFontWriter(Sfnt face) {
        this.face = face;
        cmap = CmapTable.read(face);
        outlines = OutlineReader.read(face);
        metrics = HmtxTable.read(face);
    }

    public static byte[] write(Sfnt face) {
        return new SvgFontWriter(face).run().getBytes(StandardCharsets.UTF_8);
    }

    private String run() {
        HheaTable hhea = HheaTable.read(face);
        svg.append("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\">\n<defs>\n");
        svg.append("<font id=\"font\" horiz-adv-x=\"")
                .append(metrics.advances()[0])
                .append("\">\n");
        svg.append("<font-face font-family=\"").append(escape(family()));
        svg.append("\" font-weight=\"").append(weight());
        svg.append("\" font-style=\"").append(style());
        svg.append("\" units-per-em=\"").append(HeadTable.read(face).unitsPerEm());
        svg.append("\" ascent=\"")
                .append(hhea.ascender())
                .append("\" descent=\"")
                .append(hhea.descender());
        svg.append("\"/>\n<missing-glyph").append(drawing(0)).append("/>\n");
        for (int codePoint : cmap.codePoints()) {
            if (isXmlCharacter(codePoint)) {
                svg.append("<glyph unicode=\"&#x")
                        .append(Integer.toHexString(codePoint))
                        .append(";\"");
                svg.append(drawing(cmap.glyph(codePoint))).append("/>\n");
            }
        }
        return svg.append("</font>\n</defs>\n</svg>\n").toString();
    }

    private String family() {
        NameTable names = NameTable.read(face);
        return names.best(NameTable.TYPOGRAPHIC_FAMILY)
                .or(() -> names.best(NameTable.FAMILY))
                .orElseThrow(() -> new FontException("name", -1, "gives the face no family name"));
    }

    private int weight() {
        return Os2Table.read(face)
                .map(Os2Table::weightClass)
                .filter(weight -> weight >= 1 && weight <= 1000)
                .orElse(HeadTable.read(face).isBold() ? 700 : 400);
    }

    private String style() {
        Optional<Os2Table> os2 = Os2Table.read(face);
        if (os2.map(Os2Table::isOblique).orElse(false)) {
            return "oblique";
        }
        boolean italic = os2.map(Os2Table::isItalic).orElse(false)
                || HeadTable.read(face).isItalic();
        return italic ? "italic" : "normal";
    }

    private String drawing(int glyph) {
        String path = PathData.of(outlines.outline(glyph), 1);
        String advance = " horiz-adv-x=\"" + metrics.advances()[glyph] + "\"";
        return path.isEmpty() ? advance : advance + " d=\"" + path + "\"";
    }

    private static boolean isXmlCharacter(int codePoint) {
        return codePoint == 0x9
                || codePoint == 0xA
                || codePoint == 0xD
                || (codePoint >= 0x20 && codePoint < 0xD800)
                || (codePoint >= 0xE000 && codePoint < 0xFFFE)
                || codePoint >= 0x10000;
    }

    private static String escape(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace("\"", "&quot;");
    }
}
