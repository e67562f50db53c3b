package app.unciala.bench;

import app.unciala.font.FontException;
import app.unciala.font.drawing.Sketch;
import app.unciala.font.drawing.SketchIndex;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.face.FontVersion;
import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.NameTable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Measures how often a face is found by another version of it: the nearest of all faces in some folders, for each face of
 * another folder that has a counterpart of the same family and slot and of another version there.
 */
public final class VersionRecall {
    /** What the inventory takes for a copy. */
    private static final double COPY = 0.9;

    private record Known(FaceIdentity identity, String version, Sketch sketch) {
        boolean isVersionOf(Known other) {
            return identity.family().equalsIgnoreCase(other.identity.family())
                    && identity.slot().equals(other.identity.slot())
                    && FontVersion.compare(version, other.version) != 0;
        }
    }

    private VersionRecall() {}

    /** The arguments are a folder of faces to look for, and the folders to look in. */
    public static void main(String[] arguments) throws IOException {
        Map<String, Known> held = new LinkedHashMap<>();
        SketchIndex<String> index = new SketchIndex<>();
        for (String folder : List.of(arguments).subList(1, arguments.length)) {
            held.putAll(faces(Path.of(folder)));
        }
        held.forEach((file, face) -> index.put(file, face.sketch()));
        int asked = 0;
        int nearest = 0;
        int amongFive = 0;
        int copies = 0;
        List<String> missed = new ArrayList<>();
        for (Known face : faces(Path.of(arguments[0])).values()) {
            if (held.values().stream().noneMatch(face::isVersionOf)) {
                continue;
            }
            asked++;
            List<Known> found = nearest(index, held, face, 0);
            nearest += found.stream().limit(1).anyMatch(face::isVersionOf) ? 1 : 0;
            amongFive += found.stream().anyMatch(face::isVersionOf) ? 1 : 0;
            copies += nearest(index, held, face, COPY).stream().anyMatch(face::isVersionOf) ? 1 : 0;
            if (found.stream().limit(1).noneMatch(face::isVersionOf)) {
                missed.add(
                        face.identity().family() + " " + face.identity().slot().label() + ", nearest "
                                + found.get(0).identity().family() + " "
                                + found.get(0).identity().slot().label());
            }
        }
        System.out.printf(
                Locale.ROOT,
                "%d faces to look in; %d looked for by another version: %d nearest, %d among five, %d alike by %.1f%n",
                held.size(),
                asked,
                nearest,
                amongFive,
                copies,
                COPY);
        missed.forEach(System.out::println);
    }

    private static List<Known> nearest(SketchIndex<String> index, Map<String, Known> held, Known face, double atLeast) {
        return index.nearest(face.sketch(), atLeast, 5).stream()
                .flatMap(near -> Stream.ofNullable(held.get(near.key())))
                .toList();
    }

    private static Map<String, Known> faces(Path folder) throws IOException {
        Map<String, Known> faces = new LinkedHashMap<>();
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.filter(file -> file.toString().matches("(?i).*\\.(ttf|otf|woff2)"))
                    .sorted()
                    .toList()) {
                try {
                    Sfnt face =
                            FontReader.read(Files.readAllBytes(file)).faces().get(0);
                    Sketch sketch = Sketch.of(face);
                    if (!sketch.isEmpty()) {
                        String version =
                                NameTable.read(face).best(NameTable.VERSION).orElse("");
                        faces.put(file.toString(), new Known(FaceIdentifier.identify(face), version, sketch));
                    }
                } catch (FontException e) {
                    System.err.println(file + ": " + e.getMessage());
                }
            }
        }
        return faces;
    }
}
