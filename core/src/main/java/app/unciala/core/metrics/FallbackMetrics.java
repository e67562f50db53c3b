package app.unciala.core.metrics;

import app.unciala.core.css.CssText;
import app.unciala.font.metrics.AverageAdvance;
import app.unciala.font.metrics.VerticalMetrics;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HheaTable;
import app.unciala.font.table.Os2Table;
import java.util.Locale;
import java.util.Optional;

/**
 * The descriptors of CSS Fonts 4 (section 11, "Font metrics override") and CSS Fonts 5 ({@code size-adjust}) that make a
 * system face stand in for a web font: its letters scaled so that running text is as long, its lines as high.
 *
 * @param sizeAdjust 1 is the system face's own size
 * @param ascentOverride in ems of the scaled face, as are the other two
 */
public record FallbackMetrics(
        SystemFace stand, double sizeAdjust, double ascentOverride, double descentOverride, double lineGapOverride) {
    /**
     * Makes a system face stand in for a web font.
     *
     * @throws app.unciala.font.FontException if the font has no Latin letters to measure
     */
    public static FallbackMetrics of(Sfnt font, SystemFace stand) {
        double unitsPerEm = HeadTable.read(font).unitsPerEm();
        VerticalMetrics metrics = VerticalMetrics.read(font);
        Optional<Os2Table> typo = metrics.os2().filter(Os2Table::usesTypoMetrics);
        HheaTable hhea = metrics.hhea();
        double ascent = typo.map(Os2Table::typoAscender).orElse(hhea.ascender());
        double descent = -typo.map(Os2Table::typoDescender).orElse(hhea.descender());
        double lineGap = typo.map(Os2Table::typoLineGap).orElse(hhea.lineGap());
        double sizeAdjust = AverageAdvance.of(font) / stand.averageAdvance();
        // The overrides are scaled by size-adjust again when they apply.
        double scaled = unitsPerEm * sizeAdjust;
        return new FallbackMetrics(
                stand,
                sizeAdjust,
                Math.max(0, ascent / scaled),
                Math.max(0, descent / scaled),
                Math.max(0, lineGap / scaled));
    }

    /** The rule that defines the stand-in under a family name of its own. */
    public String css(String family) {
        return "@font-face {\n"
                + "  font-family: " + CssText.quote(family) + ";\n"
                + "  src: local(" + CssText.quote(stand.family() + (stand.bold() ? " Bold" : "")) + ");\n"
                + "  font-weight: " + (stand.bold() ? "bold" : "normal") + ";\n"
                + "  size-adjust: " + percent(sizeAdjust) + ";\n"
                + "  ascent-override: " + percent(ascentOverride) + ";\n"
                + "  descent-override: " + percent(descentOverride) + ";\n"
                + "  line-gap-override: " + percent(lineGapOverride) + ";\n"
                + "}\n";
    }

    private static String percent(double share) {
        return String.format(Locale.ROOT, "%.2f%%", share * 100);
    }
}
