package app.unciala.core.css;

import app.unciala.font.FontFormat;
import app.unciala.font.Numbers;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;

/**
 * One {@code @font-face} rule (CSS Fonts 4, section 4).
 *
 * @param sources the files of the face, the one to be taken first first
 * @param slant the angles of a variable slope in degrees, clockwise, if the face has one
 * @param characters those the files serve, if not all that they may be asked for
 */
public record FontFaceRule(
        String family, Slot slot, List<Source> sources, Optional<Range> slant, Optional<BitSet> characters) {
    /**
     * A file.
     *
     * @param url relative to the style sheet, absolute, or a data URL
     * @param expression whether it is an expression that the host replaces before anybody reads the style sheet, and so
     *     stands as it is
     */
    public record Source(String url, FontFormat format, boolean expression) {
        public Source(String url, FontFormat format) {
            this(url, format, false);
        }

        String css() {
            return "url(" + (expression ? asItIs() : CssText.quote(url)) + ") format(\"" + format.cssHint() + "\")";
        }

        /** In the quotes that it does not use itself. */
        private String asItIs() {
            String quote = url.contains("\"") ? url.contains("'") ? "" : "'" : "\"";
            return quote + url + quote;
        }
    }

    public FontFaceRule {
        sources = List.copyOf(sources);
    }

    /** A rule for one file that serves some of its characters. */
    public static FontFaceRule of(
            String family, Slot slot, String url, FontFormat format, Optional<BitSet> characters) {
        return new FontFaceRule(family, slot, List.of(new Source(url, format)), Optional.empty(), characters);
    }

    public String css() {
        StringBuilder out = new StringBuilder("@font-face {\n");
        out.append("  font-family: ").append(CssText.quote(family)).append(";\n");
        out.append("  src: ")
                .append(String.join(",\n    ", sources.stream().map(Source::css).toList()))
                .append(";\n");
        out.append("  font-weight: ")
                .append(slot.weight().toString().replace("–", " "))
                .append(";\n");
        out.append("  font-style: ").append(style()).append(";\n");
        if (!slot.width().isSingle() || slot.width().min() != 100) {
            out.append("  font-stretch: ")
                    .append(slot.width().toString().replace("–", "% "))
                    .append("%;\n");
        }
        characters.ifPresent(served ->
                out.append("  unicode-range: ").append(UnicodeRange.of(served)).append(";\n"));
        return out.append("  font-display: swap;\n}\n").toString();
    }

    /** A variable slope is a range of angles; from 0 on it serves upright text, too. */
    private String style() {
        return slant.filter(range -> !range.isSingle() && slot.slope() != Slope.ITALIC)
                .map(range -> "oblique " + Numbers.plain(range.min()) + "deg " + Numbers.plain(range.max()) + "deg")
                .orElse(slot.slope().css());
    }
}
