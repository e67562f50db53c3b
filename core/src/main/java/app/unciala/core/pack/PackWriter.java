package app.unciala.core.pack;

import app.unciala.core.pack.DeliveredFiles.Delivered;
import app.unciala.core.pack.Pack.Entry;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Notice;
import app.unciala.core.sentence.Sentences;
import com.google.common.io.Files;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Writes a pack: the font files, the rules in the form the host takes, a specimen page, instructions, what the licenses
 * say with the texts that must go along, and a manifest.
 */
public final class PackWriter {
    private final PackRequest request;
    private final DeliveredFiles files;
    private final TypeRules rules;
    private final Map<Notice, String> noticeNames;

    private PackWriter(PackRequest request) {
        this.request = request;
        files = new DeliveredFiles(request);
        rules = new TypeRules(request, files);
        noticeNames = noticeNames(request.faces());
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
        entries.add(text(FileList.NAME, FileList.write(request, files, rules)));
        entries.add(text("LICENSES.txt", licenses()));
        noticeNames.forEach((notice, name) -> entries.add(new Entry("licenses/" + name, notice.bytes())));
        entries.add(text("manifest.json", PackJson.manifest(request, files)));
        return new Pack(entries);
    }

    /**
     * The file names of the notices: another text under a name that is taken, in upper or lower case, gets a number, as
     * when faces of one family say their copyright in other words.
     */
    private static Map<Notice, String> noticeNames(List<Face> faces) {
        Map<Notice, String> names = new LinkedHashMap<>();
        Set<String> taken = new HashSet<>();
        for (Face face : faces) {
            for (Notice notice : face.notices()) {
                if (!names.containsKey(notice)) {
                    String name = notice.name();
                    for (int number = 2; !taken.add(name.toLowerCase(Locale.ROOT)); number++) {
                        name = Files.getNameWithoutExtension(notice.name()) + "-" + number + "."
                                + Files.getFileExtension(notice.name());
                    }
                    names.put(notice, name);
                }
            }
        }
        return names;
    }

    private String licenses() {
        StringBuilder out = new StringBuilder(
                "Licenses for the fonts of " + request.siteName() + ", " + Sentences.day(request.day()) + "\n\n");
        Set<String> lines = new LinkedHashSet<>();
        for (Face face : request.faces()) {
            lines.add(face.family() + " " + face.slot().label() + ": " + face.license()
                    + face.notices().stream()
                            .map(notice -> "; see licenses/" + noticeNames.get(notice))
                            .reduce("", String::concat));
        }
        lines.forEach(line -> out.append(line).append('\n'));
        return out.toString();
    }

    private static Entry text(String path, String text) {
        return new Entry(path, text.getBytes(StandardCharsets.UTF_8));
    }
}
