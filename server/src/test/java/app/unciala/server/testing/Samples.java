package app.unciala.server.testing;

import app.unciala.demo.DemoFont;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Fonts and archives for tests. */
public final class Samples {
    private Samples() {}

    /** A font of the demonstration by its file name. */
    public static byte[] font(String fileName) {
        return DemoFont.all().stream()
                .filter(font -> font.fileName().equals(fileName))
                .findFirst()
                .orElseThrow()
                .bytes();
    }

    public static byte[] zip(Map<String, byte[]> files) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** A license that allows everything on one domain. */
    public static Map<String, Object> license(String familyId, String domain) {
        return Map.of(
                "name", "Test license",
                "kind", "PER_DOMAIN",
                "covers", List.of(Map.of("familyId", familyId, "faces", List.of())),
                "webUse", "GRANTED",
                "converting", "GRANTED",
                "domains", List.of(domain),
                "anyFormat", true,
                "proof", "order 12");
    }

    public static Map<String, Object> face(int weight, String slope) {
        return Map.of("weight", weight, "weightMax", weight, "width", 100, "widthMax", 100, "slope", slope);
    }

    public static Map<String, Object> role(String role, String familyId, List<Map<String, Object>> faces) {
        return Map.of("role", role, "familyId", familyId, "generic", "SERIF", "faces", faces);
    }
}
