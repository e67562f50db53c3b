package app.unciala.server.intake;

import app.unciala.core.license.LicenseText;
import app.unciala.core.license.LicenseText.Recognized;
import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.Problem;
import app.unciala.font.Problem.Severity;
import app.unciala.font.face.Classification;
import app.unciala.font.face.Evidence;
import app.unciala.font.face.Slot;
import app.unciala.font.face.UseMarks;
import app.unciala.font.face.UseMarks.Mark;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.server.family.FileFacts;
import app.unciala.server.inventory.Texts;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What one file of a drop is, read from its bytes; of a collection, what one face of it is as a file of its own. */
record ReadFile(String path, long size, Kind kind, String reason, Optional<Font> font, Optional<Text> text) {
    /** What follows in a longer text is not read. */
    private static final int LONGEST_TEXT = 500_000;

    enum Kind {
        FONT,
        LICENSE_TEXT,
        README,
        NOT_A_FONT,
        DAMAGED;

        /** Whether its bytes stay with the intake. */
        boolean isKept() {
            return this == FONT || this == LICENSE_TEXT || this == README;
        }
    }

    /** What a text that came along says of licenses. */
    record Text(Optional<Recognized> license, List<Mark> marks) {
        static Text of(String name, byte[] bytes) {
            String text = Texts.cut(Texts.decoded(bytes), LONGEST_TEXT);
            return new Text(LicenseText.recognize(text), UseMarks.in(name, text));
        }
    }

    /** What a font says of itself; {@code notes} are its problems, in words. */
    record Font(
            FontFormat format,
            FaceReport report,
            FileFacts facts,
            Optional<Classification.Proposal> classification,
            Optional<Recognized> license,
            List<Evidence> evidence,
            List<String> notes) {
        Slot slot() {
            return report.identity().slot();
        }
    }

    /** Takes what a file is, with its bytes. */
    interface Sink {
        void take(ReadFile file, byte[] bytes);
    }

    /** Reads a file; a collection is told face by face, so that never more than one of them stands in memory. */
    static void read(String path, byte[] bytes, Sink sink) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        if (isJunk(path, name)) {
            sink.take(none(path, bytes.length, Kind.NOT_A_FONT, "left by a file manager"), bytes);
            return;
        }
        FontFile file;
        try {
            file = FontReader.read(bytes);
        } catch (FontException e) {
            sink.take(noFont(path, name, bytes, e), bytes);
            return;
        }
        for (int i = 0; i < file.faces().size(); i++) {
            try {
                face(path, bytes, file, i, sink);
            } catch (FontException e) {
                sink.take(none(path, bytes.length, Kind.DAMAGED, e.getMessage()), bytes);
                return;
            }
        }
    }

    private static ReadFile noFont(String path, String name, byte[] bytes, FontException e) {
        boolean promised = FontFormat.promisedBy(name).isPresent();
        boolean began = !e.reason().startsWith("is not a font") && bytes.length > 0;
        if (promised || began) {
            return none(path, bytes.length, Kind.DAMAGED, e.getMessage());
        }
        return isText(name) ? text(path, name, bytes, e) : none(path, bytes.length, Kind.NOT_A_FONT, e.getMessage());
    }

    /** A file that is no font and of which nothing more is read. */
    static ReadFile none(String path, long size, Kind kind, String reason) {
        return new ReadFile(path, size, kind, reason, Optional.empty(), Optional.empty());
    }

    private static ReadFile text(String path, String name, byte[] bytes, FontException noFont) {
        Optional<Text> said = isPlainText(name) ? Optional.of(Text.of(name, bytes)) : Optional.empty();
        boolean license = isLicenseText(name) || said.flatMap(Text::license).isPresent();
        return new ReadFile(
                path,
                bytes.length,
                license ? Kind.LICENSE_TEXT : Kind.README,
                noFont.getMessage(),
                Optional.empty(),
                said);
    }

    private static void face(String path, byte[] bytes, FontFile file, int number, Sink sink) {
        Sfnt face = file.faces().get(number);
        boolean single = file.faces().size() == 1 && file.format() != FontFormat.COLLECTION;
        FontFormat format = single ? file.format() : face.bareFormat();
        byte[] own = single ? bytes : FontWriter.write(face, format);
        String ownPath = single ? path : path + " (face " + (number + 1) + ")." + format.extension();
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
        Font font = new Font(
                format,
                report,
                FileFacts.of(face, report),
                Classification.propose(face),
                LicenseText.recognize(report.license(), report.licenseUrl()),
                report.identity().evidence(),
                notes);
        sink.take(new ReadFile(ownPath, own.length, Kind.FONT, "", Optional.of(font), Optional.empty()), own);
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

    private static boolean isText(String name) {
        return isLicenseText(name)
                || (isPlainText(name)
                        && name.toLowerCase(Locale.ROOT)
                                .matches("read.?me.*|fontlog.*|authors.*|contributors.*|copyright.*"));
    }

    private static boolean isLicenseText(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        return lower.matches(".*(license|licence|eula|ofl|copying|terms).*")
                && lower.matches(".*(\\.(txt|md|pdf|html?|rtf|docx?)|[^.]*)");
    }

    private static boolean isPlainText(String name) {
        return name.toLowerCase(Locale.ROOT).matches(".*(\\.(txt|md)|[^.]*)");
    }
}
