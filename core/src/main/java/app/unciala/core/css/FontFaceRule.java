package app.unciala.core.css;

import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import java.util.BitSet;
import java.util.Optional;

/** One {@code @font-face} rule; {@code url} is relative to the style sheet, {@code characters} those the file serves. */
public record FontFaceRule(String family, Slot slot, String url, FontFormat format, Optional<BitSet> characters) {
    /** A rule for a file that serves all its characters. */
    public FontFaceRule(String family, Slot slot, String url, FontFormat format) {
        this(family, slot, url, format, Optional.empty());
    }

    public String css() {
        StringBuilder out = new StringBuilder("@font-face {\n");
        out.append("  font-family: ").append(CssText.quote(family)).append(";\n");
        out.append("  src: url(")
                .append(CssText.quote(url))
                .append(") format(\"")
                .append(format.cssHint());
        out.append("\");\n");
        out.append("  font-weight: ")
                .append(slot.weight().toString().replace("–", " "))
                .append(";\n");
        out.append("  font-style: ").append(slot.slope().css()).append(";\n");
        if (!slot.width().isSingle() || slot.width().min() != 100) {
            out.append("  font-stretch: ")
                    .append(slot.width().toString().replace("–", "% "))
                    .append("%;\n");
        }
        characters.ifPresent(served ->
                out.append("  unicode-range: ").append(UnicodeRange.of(served)).append(";\n"));
        return out.append("  font-display: swap;\n}\n").toString();
    }
}
