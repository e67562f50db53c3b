package app.unciala.server.intake;

import app.unciala.core.face.Evidence;
import app.unciala.core.face.FaceReport;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontException;
import app.unciala.core.font.FontFile;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import app.unciala.core.font.Problem;
import app.unciala.core.font.Problem.Severity;
import app.unciala.core.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What one file of a drop is, read from its bytes. A collection gives one for each face, with the bytes of that face
 * on its own.
 */
record ReadFile(String path, byte[] bytes, Kind kind, String reason, Optional<Font> font) {
    enum Kind {
        FONT,
        LICENSE_TEXT,
        NOT_A_FONT,
        DAMAGED
    }

    /** What a font says of itself; {@code notes} are its problems, in words. */
    record Font(FontFormat format, FaceReport report, List<Evidence> evidence, List<String> notes) {
        Slot slot() {
            return report.identity().slot();
        }
    }

    static List<ReadFile> of(String path, byte[] bytes) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        if (isJunk(path, name)) {
            return List.of(new ReadFile(path, bytes, Kind.NOT_A_FONT, "left by a file manager", Optional.empty()));
        }
        try {
            return fonts(path, bytes, FontReader.read(bytes));
        } catch (FontException e) {
            boolean promised = FontFormat.promisedBy(name).isPresent();
            boolean began = !e.reason().startsWith("is not a font") && bytes.length > 0;
            if (promised || began) {
                return List.of(new ReadFile(path, bytes, Kind.DAMAGED, e.getMessage(), Optional.empty()));
            }
            Kind kind = isLicenseText(name) ? Kind.LICENSE_TEXT : Kind.NOT_A_FONT;
            return List.of(new ReadFile(path, bytes, kind, e.getMessage(), Optional.empty()));
        }
    }

    private static List<ReadFile> fonts(String path, byte[] bytes, FontFile file) {
        List<ReadFile> read = new ArrayList<>();
        for (int i = 0; i < file.faces().size(); i++) {
            Sfnt face = file.faces().get(i);
            boolean single = file.faces().size() == 1 && file.format() != FontFormat.COLLECTION;
            FontFormat format = single ? file.format() : face.bareFormat();
            byte[] own = single ? bytes : FontWriter.write(face, format);
            String ownPath = single ? path : path + " (face " + (i + 1) + ")." + format.extension();
            FaceReport report = FaceReport.of(face);
            List<String> notes = new ArrayList<>();
            FontFormat.promisedBy(path)
                    .filter(promised -> promised != file.format())
                    .ifPresent(promised -> notes.add("named as " + promised.label() + ", but its bytes are "
                            + file.format().label()));
            if (!single) {
                notes.add("taken out of a collection of " + file.faces().size() + " faces");
            }
            report.problems().stream()
                    .filter(problem -> problem.severity() != Severity.NOTE)
                    .map(ReadFile::words)
                    .forEach(notes::add);
            Font font = new Font(format, report, report.identity().evidence(), notes);
            read.add(new ReadFile(ownPath, own, Kind.FONT, "", Optional.of(font)));
        }
        return read;
    }

    private static String words(Problem problem) {
        return problem.table().strip() + " " + problem.text();
    }

    private static boolean isJunk(String path, String name) {
        return path.contains("__MACOSX/")
                || name.startsWith("._")
                || name.equals(".DS_Store")
                || name.equalsIgnoreCase("Thumbs.db")
                || name.equalsIgnoreCase("desktop.ini");
    }

    private static boolean isLicenseText(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        return lower.matches(".*(license|licence|eula|ofl|copying|terms).*")
                && lower.matches(".*(\\.(txt|md|pdf|html?|rtf|docx?)|[^.]*)");
    }
}
