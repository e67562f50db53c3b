package app.unciala.core.pack;

import app.unciala.core.css.CssText;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Role;

/** The page of a pack that shows every role and every face in the delivered files. */
final class SpecimenPage {
    private static final String LINE = "Five quick wharf cats jumped over big dozing hulks";
    private static final String PARAGRAPH =
            "Type is made to be read, so read this: the lines should hold together, the words stand apart, and no letter"
                    + " ask to be looked at. Figures such as 0123456789 belong among the letters, and so do “quotes”,"
                    + " dashes – like these – and an ampersand & its friends.";

    private SpecimenPage() {}

    static String write(PackRequest request) {
        StringBuilder html =
                new StringBuilder("<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n");
        html.append("<meta name=\"viewport\" content=\"width=device-width\">\n<title>Type for ");
        html.append(escape(request.siteName())).append("</title>\n<link rel=\"stylesheet\" href=\"type.css\">\n");
        html.append("<style>\nbody { margin: 4rem auto; max-width: 46rem; padding: 0 2rem; line-height: 1.5; }\n");
        html.append(".note { font: 0.8rem/1.4 sans-serif; color: #555; margin: 2.5rem 0 0.3rem; }\n");
        html.append(".face { font-size: 1.8rem; line-height: 1.3; margin: 0; }\n</style>\n</head>\n<body>\n");
        for (Role role : request.roles()) {
            note(
                    html,
                    role.role().label() + ": " + role.family() + " "
                            + role.slot().label());
            html.append("<div class=\"type-").append(role.role().key()).append("\">");
            html.append(escape(PARAGRAPH)).append("</div>\n");
        }
        for (Face face : request.faces()) {
            note(html, face.family() + " " + face.slot().label());
            String weight =
                    face.slot().weight().isSingle() ? face.slot().weight().toString() : "400";
            String style = "font-family: " + CssText.quote(face.family()) + "; font-weight: " + weight
                    + "; font-style: " + face.slot().slope().css() + "; font-stretch: "
                    + face.slot().width().toString().replaceAll("–.*", "") + "%";
            html.append("<p class=\"face\" style=\"")
                    .append(escape(style))
                    .append("\">")
                    .append(LINE)
                    .append("</p>\n");
        }
        return html.append("</body>\n</html>\n").toString();
    }

    private static void note(StringBuilder html, String text) {
        html.append("<p class=\"note\">").append(escape(text)).append("</p>\n");
    }

    private static String escape(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
