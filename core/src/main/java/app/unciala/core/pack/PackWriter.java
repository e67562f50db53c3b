package app.unciala.core.pack;

import app.unciala.core.css.CssText;
import app.unciala.core.css.FontFaceRule;
import app.unciala.core.font.FontFormat;
import app.unciala.core.pack.Pack.Entry;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Role;
import app.unciala.core.sentence.Sentences;
import com.google.common.hash.Hashing;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Writes a pack: {@code fonts/}, {@code type.css}, {@code specimen.html} and {@code LICENSES.txt}. */
public final class PackWriter {
    private final PackRequest request;
    private final Map<Face, String> paths = new LinkedHashMap<>();

    private PackWriter(PackRequest request) {
        this.request = request;
        for (Face face : request.faces()) {
            paths.put(face, "fonts/" + fileName(face));
        }
    }

    public static Pack write(PackRequest request) {
        return new PackWriter(request).run();
    }

    private Pack run() {
        List<Entry> entries = new ArrayList<>();
        paths.forEach((face, path) -> entries.add(new Entry(path, face.woff2())));
        entries.add(text("type.css", styleSheet()));
        entries.add(text("specimen.html", SpecimenPage.write(request)));
        entries.add(text("LICENSES.txt", licenses()));
        return new Pack(entries);
    }

    /** A name of its own for every content, so that it can be cached for ever: {@code harrow-700-italic.1f0c22aa.woff2}. */
    private static String fileName(Face face) {
        String family = Normalizer.normalize(face.family(), Normalizer.Form.NFKD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        String stem = family.isEmpty() ? "font" : family.substring(0, Math.min(40, family.length()));
        String slot = face.slot().key().replace("-100-", "-").replace('_', '-').replace("-upright", "");
        return stem + "-" + slot + "." + shortDigest(face.woff2()) + ".woff2";
    }

    private static String shortDigest(byte[] bytes) {
        return Hashing.sha256().hashBytes(bytes).toString().substring(0, 8);
    }

    private String styleSheet() {
        StringBuilder css = new StringBuilder();
        css.append("/* Type for ").append(CssText.comment(request.siteName())).append(", made ");
        css.append(Sentences.day(request.day())).append(" by Unciala. Domains: ");
        css.append(CssText.comment(String.join(", ", request.domains()))).append(". */\n\n");
        paths.forEach(
                (face, path) -> css.append(new FontFaceRule(face.family(), face.slot(), path, FontFormat.WOFF2).css())
                        .append('\n'));
        css.append(":root {\n");
        for (Role role : request.roles()) {
            css.append("  --type-").append(role.role().key()).append(": ");
            css.append(role.generic().stackAfter(role.family())).append(";\n");
        }
        css.append("}\n");
        for (Role role : request.roles()) {
            css.append('\n')
                    .append(role.role().selector())
                    .append(",\n.type-")
                    .append(role.role().key());
            css.append(" {\n  font-family: var(--type-")
                    .append(role.role().key())
                    .append(");\n");
            css.append("  font-weight: ")
                    .append(
                            role.slot().weight().isSingle()
                                    ? role.slot().weight().toString()
                                    : "400");
            css.append(";\n  font-style: ").append(role.slot().slope().css()).append(";\n}\n");
        }
        return css.toString();
    }

    private String licenses() {
        StringBuilder out = new StringBuilder(
                "Licenses for the fonts of " + request.siteName() + ", " + Sentences.day(request.day()) + "\n\n");
        Set<String> lines = new LinkedHashSet<>();
        request.faces()
                .forEach(face -> lines.add(face.family() + " " + face.slot().label() + ": " + face.license()));
        lines.forEach(line -> out.append(line).append('\n'));
        return out.toString();
    }

    private static Entry text(String path, String text) {
        return new Entry(path, text.getBytes(StandardCharsets.UTF_8));
    }
}
