package app.unciala.server.intake;

import app.unciala.core.drawing.DrawingDigest;
import app.unciala.core.face.Evidence;
import app.unciala.core.face.Range;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import app.unciala.core.language.SampleLetters;
import app.unciala.server.http.Json;
import app.unciala.server.intake.ReadFile.Kind;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** One file of an intake: what it is, and what a person corrected or decided. */
@Entity
@Table(name = "intake_item")
class IntakeItemEntity {
    @Id
    private String id = "";

    private String intakeId = "";
    private int position;
    private String path = "";
    private long bytes;
    private String sha256 = "";

    @Enumerated(EnumType.STRING)
    private Kind kind = Kind.NOT_A_FONT;

    private String reason = "";
    private String facts = "";
    private int drawingVersion = DrawingDigest.VERSION;
    private String family = "";
    private double weightMin = 400;
    private double weightMax = 400;
    private double widthMin = 100;
    private double widthMax = 100;

    @Enumerated(EnumType.STRING)
    private Slope slope = Slope.UPRIGHT;

    private @Nullable Boolean included;

    protected IntakeItemEntity() {}

    /** What was read and does not change. */
    record Facts(
            FontFormat format,
            String subfamily,
            String drawing,
            int glyphs,
            int codePoints,
            String sample,
            String version,
            String embedding,
            String license,
            List<Evidence> evidence,
            List<String> notes) {
        static final Facts NONE = new Facts(FontFormat.TTF, "", "", 0, 0, "", "", "", "", List.of(), List.of());

        /** Intakes of earlier versions have no sample. */
        Facts {
            sample = Objects.requireNonNullElse(sample, "");
        }

        Facts withDrawing(String digest) {
            return new Facts(
                    format,
                    subfamily,
                    digest,
                    glyphs,
                    codePoints,
                    sample,
                    version,
                    embedding,
                    license,
                    evidence,
                    notes);
        }

        static Facts of(ReadFile.Font font) {
            return new Facts(
                    font.format(),
                    font.report().identity().subfamily(),
                    font.report().drawing(),
                    font.report().glyphs(),
                    font.report().codePoints().length,
                    SampleLetters.of(font.report().codePoints()),
                    font.report().version(),
                    font.report().embedding().words(),
                    cut(font.report().license(), 1000),
                    font.evidence(),
                    font.notes());
        }
    }

    IntakeItemEntity(String id, String intakeId, int position, ReadFile file, String sha256) {
        this.id = id;
        this.intakeId = intakeId;
        this.position = position;
        path = cut(file.path(), 2000);
        bytes = file.bytes().length;
        this.sha256 = sha256;
        kind = file.kind();
        reason = cut(file.reason(), 2000);
        facts = Json.write(file.font().map(Facts::of).orElse(Facts.NONE));
        file.font().ifPresent(font -> {
            family = cut(font.report().identity().family(), 300);
            place(font.slot());
        });
    }

    /** Records the digest of the drawing as the current version of it computes it. */
    void redraw(String digest) {
        facts = Json.write(facts().withDrawing(digest));
        drawingVersion = DrawingDigest.VERSION;
    }

    int drawingVersion() {
        return drawingVersion;
    }

    static IntakeItemEntity refused(String id, String intakeId, int position, String path, long bytes, String reason) {
        ReadFile file = new ReadFile(path, new byte[0], Kind.DAMAGED, reason, Optional.empty());
        IntakeItemEntity item = new IntakeItemEntity(id, intakeId, position, file, "");
        item.bytes = bytes;
        return item;
    }

    final void place(Slot slot) {
        weightMin = slot.weight().min();
        weightMax = slot.weight().max();
        widthMin = slot.width().min();
        widthMax = slot.width().max();
        slope = slot.slope();
    }

    void rename(String newFamily) {
        family = newFamily;
    }

    void decide(boolean include) {
        included = include;
    }

    private static String cut(String text, int length) {
        return text.length() > length ? text.substring(0, length) : text;
    }

    String id() {
        return id;
    }

    String intakeId() {
        return intakeId;
    }

    String path() {
        return path;
    }

    long bytes() {
        return bytes;
    }

    String sha256() {
        return sha256;
    }

    Kind kind() {
        return kind;
    }

    String reason() {
        return reason;
    }

    Facts facts() {
        return Json.read(facts, Facts.class);
    }

    String family() {
        return family;
    }

    Slot slot() {
        return new Slot(new Range(weightMin, weightMax), new Range(widthMin, widthMax), slope);
    }

    @Nullable
    Boolean included() {
        return included;
    }
}
