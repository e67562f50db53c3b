package app.unciala.core.pack;

import app.unciala.core.css.CssText;
import app.unciala.core.css.FontFaceRule;
import app.unciala.core.css.FontFaceRule.Source;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Role;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import app.unciala.font.Numbers;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** The page of a pack that shows every role and every face in the delivered files, wherever the host puts them. */
final class SpecimenPage {
    private static final String PARAGRAPH =
            "Type is made to be read, so read this: the lines should hold together, the words stand apart, and no letter"
                    + " ask to be looked at. Figures such as 0123456789 belong among the letters, and so do “quotes”,"
                    + " dashes – like these – and an ampersand & its friends.";
    private static final List<String> SIZES = List.of("14px", "18px", "28px", "46px");

    private SpecimenPage() {}

    static String write(PackRequest request, DeliveredFiles files, TypeRules rules) {
        String words = request.words().isBlank() ? PARAGRAPH : request.words().strip();
        StringBuilder html =
                new StringBuilder("<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n");
        html.append("<meta name=\"viewport\" content=\"width=device-width\">\n<title>Type for ");
        html.append(Markup.escaped(request.siteName())).append("</title>\n<style>\n");
        // The files of the archive itself, as those of the host may not be there yet.
        for (Face face : request.faces()) {
            List<Source> sources = files.of(face).stream()
                    .map(file -> new Source(
                            request.placement().kind() == Placement.Kind.INLINE
                                    ? "data:" + file.format().mediaType() + ";base64,"
                                            + Base64.getEncoder().encodeToString(file.bytes())
                                    : request.placement().path(file.name()),
                            file.format()))
                    .toList();
            html.append(new FontFaceRule(
                            rules.name(face.family()),
                            face.slot(),
                            sources,
                            face.slant(),
                            face.part().map(ScriptPart::characters))
                    .css());
        }
        html.append("body { margin: 4rem auto; max-width: 46rem; padding: 0 2rem; line-height: 1.5; }\n");
        html.append(".note { font: 0.8rem/1.4 sans-serif; color: #555; margin: 2.5rem 0 0.3rem; }\n");
        html.append("p { margin: 0.2rem 0; overflow-wrap: anywhere; }\n</style>\n</head>\n<body>\n");
        for (Role role : request.roles()) {
            note(
                    html,
                    role.role().label() + ": " + role.family() + " "
                            + role.slot().label());
            for (String size : SIZES) {
                paragraph(
                        html,
                        style(rules.stack(role), TypeRules.weight(role), role) + "; font-size: " + size,
                        size.equals("46px") || size.equals("28px") ? firstSentence(words) : words);
            }
        }
        Set<String> shown = new HashSet<>();
        for (Face face : request.faces()) {
            if (!shown.add(face.family() + face.slot().key())) {
                continue; // another part of it
            }
            note(html, face.family() + " " + face.slot().label());
            String weight = Numbers.plain(Math.max(
                    face.slot().weight().min(), Math.min(face.slot().weight().max(), 400)));
            paragraph(
                    html,
                    "font: " + face.slot().slope().css() + " " + weight + " 28px "
                            + CssText.quote(rules.name(face.family())) + "; font-stretch: "
                            + Numbers.plain(face.slot().width().min()) + "%",
                    firstSentence(words));
        }
        return html.append("</body>\n</html>\n").toString();
    }

    private static String style(String stack, String weight, Role role) {
        return "font-family: " + stack + "; font-weight: " + weight + "; font-style: "
                + role.slot().slope().css();
    }

    private static void paragraph(StringBuilder html, String style, String text) {
        html.append("<p style=\"").append(Markup.escaped(style)).append("\">");
        html.append(Markup.escaped(text)).append("</p>\n");
    }

    private static String firstSentence(String words) {
        int end = words.indexOf(". ");
        return end < 0 || end > 90
                ? words.substring(0, words.offsetByCodePoints(0, Math.min(60, words.codePointCount(0, words.length()))))
                : words.substring(0, end + 1);
    }

    private static void note(StringBuilder html, String text) {
        html.append("<p class=\"note\">").append(Markup.escaped(text)).append("</p>\n");
    }
}
