package app.unciala.core.pack;

import app.unciala.core.pack.PackRequest.Face;
import app.unciala.font.FontFormat;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** The font files of a pack with their names, no two of them alike, whatever the host's rule makes of them. */
final class DeliveredFiles {
    private final Map<Face, List<Delivered>> byFace = new LinkedHashMap<>();

    /** A file of a face; {@code name} is what it is called on the host. */
    record Delivered(String name, FontFormat format, byte[] bytes) {}

    DeliveredFiles(PackRequest request) {
        FileNames names = request.placement().names();
        Set<String> taken = new HashSet<>();
        for (Face face : request.faces()) {
            String style = face.label();
            byte[] first = face.files().values().iterator().next();
            String stem = names.stem(face.family(), style, first);
            String own = stem;
            for (int number = 2; !taken.add(own.toLowerCase(Locale.ROOT)); number++) {
                own = stem + names.separator() + number;
            }
            List<Delivered> files = new ArrayList<>();
            for (Map.Entry<FontFormat, byte[]> file : face.files().entrySet()) {
                files.add(new Delivered(own + "." + file.getKey().extension(), file.getKey(), file.getValue()));
            }
            byFace.put(face, files);
        }
    }

    List<Delivered> of(Face face) {
        return byFace.getOrDefault(face, List.of());
    }

    List<Delivered> all() {
        return byFace.values().stream().flatMap(List::stream).toList();
    }
}
