package app.unciala.core.pack;

import app.unciala.core.pack.DeliveredFiles.Delivered;
import app.unciala.core.pack.Pack.Entry;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Notice;
import app.unciala.core.sentence.Sentences;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Writes a pack: the font files, the rules in the form the host takes, a specimen page, instructions, what the licenses
 * say with the texts that must go along, and a manifest.
 */
public final class PackWriter {
    private final PackRequest request;
    private final DeliveredFiles files;
    private final TypeRules rules;

    private PackWriter(PackRequest request) {
        this.request = request;
        files = new DeliveredFiles(request);
        rules = new TypeRules(request, files);
    }

    public static Pack write(PackRequest request) {
        return new PackWriter(request).run();
    }

    /** The names that the font files of a pack have on the host, in the order of its faces. */
    public static List<String> fileNames(PackRequest request) {
        return new DeliveredFiles(request).all().stream().map(Delivered::name).toList();
    }

    private Pack run() {
        List<Entry> entries = new ArrayList<>();
        for (Delivered file : files.all()) {
            entries.add(new Entry(request.placement().path(file.name()), file.bytes()));
        }
        String css = rules.styleSheet();
        String output =
                switch (request.shape()) {
                    case STYLE_SHEET, APPENDED, CUSTOM_PROPERTIES -> css;
                    case STYLE_BLOCK -> "<style>\n" + css.replace("</", "<\\/") + "</style>\n";
                    case DESIGN_TOKENS -> PackJson.tokens(request, rules);
                    case MENU -> rules.menu();
                };
        entries.add(text(request.shape().fileName(), output));
        if (!request.shape().fileName().endsWith(".css") && request.shape() != OutputShape.STYLE_BLOCK) {
            entries.add(text("type.css", css));
        }
        entries.add(text("specimen.html", SpecimenPage.write(request, files, rules)));
        entries.add(text(
                "instructions.html", InstructionsPage.write(request, Instructions.of(request, files, rules, output))));
        entries.add(text("LICENSES.txt", licenses()));
        notices().forEach(notice -> entries.add(text("licenses/" + notice.name(), notice.text())));
        entries.add(text("manifest.json", PackJson.manifest(request, files)));
        return new Pack(entries);
    }

    private Set<Notice> notices() {
        Set<Notice> notices = new LinkedHashSet<>();
        request.faces().forEach(face -> notices.addAll(face.notices()));
        return notices;
    }

    private String licenses() {
        StringBuilder out = new StringBuilder(
                "Licenses for the fonts of " + request.siteName() + ", " + Sentences.day(request.day()) + "\n\n");
        Set<String> lines = new LinkedHashSet<>();
        for (Face face : request.faces()) {
            lines.add(face.family() + " " + face.slot().label() + ": " + face.license()
                    + face.notices().stream()
                            .map(notice -> "; see licenses/" + notice.name())
                            .reduce("", String::concat));
        }
        lines.forEach(line -> out.append(line).append('\n'));
        return out.toString();
    }

    private static Entry text(String path, String text) {
        return new Entry(path, text.getBytes(StandardCharsets.UTF_8));
    }
}
