package app.unciala.server.intake;

import static app.unciala.server.inventory.Texts.cut;

import app.unciala.core.drawing.DrawingDigest;
import app.unciala.core.face.Embedding;
import app.unciala.core.face.Evidence;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import app.unciala.core.language.SampleLetters;
import app.unciala.server.family.FileFacts;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.intake.Verdicts.Verdict;
import app.unciala.server.inventory.SlotColumns;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
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

    @JdbcTypeCode(SqlTypes.JSON)
    private Facts facts = Facts.NONE;

    private int drawingVersion = DrawingDigest.VERSION;
    private String family = "";
    private String familyKey = "";
    private String drawing = "";
    private String format = "";

    @Embedded
    private SlotColumns slot = new SlotColumns(Slot.of(400, 100, Slope.UPRIGHT));

    private String verdict = "";
    private String because = "";
    private boolean goesIn;
    private @Nullable String faceFileId;

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
            Embedding.@Nullable Level embeddingLevel,
            String license,
            List<Evidence> evidence,
            List<String> notes) {
        static final Facts NONE = new Facts(
                FontFormat.TTF, "", "", 0, 0, "", "", "", Embedding.Level.NOT_STATED, "", List.of(), List.of());

        /** Intakes of earlier versions have no sample, and the embedding only in words. */
        Facts {
            sample = Objects.requireNonNullElse(sample, "");
            String words = embedding;
            embeddingLevel = embeddingLevel != null
                    ? embeddingLevel
                    : Arrays.stream(Embedding.Level.values())
                            .filter(level -> words.startsWith(level.words()))
                            .findFirst()
                            .orElse(Embedding.Level.NOT_STATED);
        }

        FileFacts toFileFacts() {
            return new FileFacts(
                    subfamily, drawing, glyphs, codePoints, sample, version, Objects.requireNonNull(embeddingLevel));
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
                    embeddingLevel,
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
                    font.report().embedding().level(),
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
        facts = file.font().map(Facts::of).orElse(Facts.NONE);
        drawing = facts.drawing();
        file.font().ifPresent(font -> {
            format = font.format().key();
            rename(cut(font.report().identity().family(), 300));
            place(font.slot());
        });
    }

    /** Records the digest of the drawing as the current version of it computes it. */
    void redraw(String digest) {
        facts = facts.withDrawing(digest);
        drawing = digest;
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

    final void place(Slot newSlot) {
        slot = new SlotColumns(newSlot);
    }

    final void rename(String newFamily) {
        family = newFamily;
        familyKey = Texts.familyKey(newFamily);
    }

    void decide(boolean include) {
        included = include;
    }

    /** Went in as this file of the inventory. */
    void accepted(@Nullable String fileId) {
        faceFileId = fileId;
    }

    @Nullable
    String faceFileId() {
        return faceFileId;
    }

    /** The verdict, once the intake was judged. */
    Optional<Verdict> verdict() {
        return verdict.isEmpty() ? Optional.empty() : Optional.of(Verdict.valueOf(verdict));
    }

    String because() {
        return because;
    }

    /** Whether it goes in: as decided, or else as its verdict says. */
    boolean goesIn() {
        return goesIn;
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
        return facts;
    }

    String family() {
        return family;
    }

    Slot slot() {
        return slot.toSlot();
    }

    @Nullable
    Boolean included() {
        return included;
    }
}
