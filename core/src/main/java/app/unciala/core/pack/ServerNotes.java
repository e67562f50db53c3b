package app.unciala.core.pack;

import app.unciala.core.pack.Instructions.Step;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.font.FontFormat;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * What the two most common open-source web servers are told, for whoever administers one: media types, for how long
 * files are kept, and that pages of other origins may use them.
 */
final class ServerNotes {
    /** A year, in seconds: what has its digest in its name is never changed. */
    private static final int YEAR = 31_536_000;

    private static final int DAY = 86_400;

    private ServerNotes() {}

    /** Nothing where there are no files of fonts. */
    static List<Step> of(PackRequest request) {
        if (request.placement().kind() == Placement.Kind.INLINE) {
            return List.of();
        }
        Set<FontFormat> formats = new TreeSet<>();
        request.faces().stream().map(Face::files).forEach(files -> formats.addAll(files.keySet()));
        return List.of(
                new Step(
                        "If you administer the server and it is Apache HTTP Server, put this into its configuration.",
                        apache(request, formats)),
                new Step("If it is nginx, put this into the server block.", nginx(request, formats)));
    }

    private static String apache(PackRequest request, Set<FontFormat> formats) {
        return formats.stream()
                        .map(format -> "AddType " + format.mediaType() + " ." + format.extension() + "\n")
                        .collect(Collectors.joining())
                + "<FilesMatch \"\\.(" + extensions(formats) + ")$\">\n"
                + "  Header set Cache-Control \"" + caching(request) + "\"\n"
                + "  Header set Access-Control-Allow-Origin \"*\"\n"
                + "</FilesMatch>\n";
    }

    private static String nginx(PackRequest request, Set<FontFormat> formats) {
        return "location ~ \\.(" + extensions(formats) + ")$ {\n"
                + "  types {\n"
                + formats.stream()
                        .map(format -> "    " + format.mediaType() + " " + format.extension() + ";\n")
                        .collect(Collectors.joining())
                + "  }\n"
                + "  add_header Cache-Control \"" + caching(request) + "\";\n"
                + "  add_header Access-Control-Allow-Origin \"*\";\n"
                + "}\n";
    }

    private static String extensions(Set<FontFormat> formats) {
        return formats.stream().map(FontFormat::extension).collect(Collectors.joining("|"));
    }

    private static String caching(PackRequest request) {
        return request.placement().names().digest()
                ? "public, max-age=" + YEAR + ", immutable"
                : "public, max-age=" + DAY;
    }
}
