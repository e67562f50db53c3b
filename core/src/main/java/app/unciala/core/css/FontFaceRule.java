package app.unciala.core.css;

import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;

/** One {@code @font-face} rule; {@code url} is relative to the style sheet. */
public record FontFaceRule(String family, Slot slot, String url, FontFormat format) {
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
        return out.append("  font-display: swap;\n}\n").toString();
    }
}
