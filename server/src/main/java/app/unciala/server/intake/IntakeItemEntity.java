package app.unciala.server.intake;

import static app.unciala.server.inventory.Texts.cut;

import app.unciala.core.license.LicenseText.Recognized;
import app.unciala.font.FontFormat;
import app.unciala.font.drawing.DrawingDigest;
import app.unciala.font.drawing.Sketch;
import app.unciala.font.face.Classification;
import app.unciala.font.face.Classification.Proposal;
import app.unciala.font.face.Embedding;
import app.unciala.font.face.Evidence;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.face.UseMarks.Mark;
import app.unciala.font.report.FaceReport;
import app.unciala.server.family.FileFacts;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.inventory.SlotColumns;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.Column;
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

    @Column
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

    @Column
    private String format = "";

    @Embedded
    private SlotColumns slot = new SlotColumns(Slot.of(400, 100, Slope.UPRIGHT));

    private String foundry = "";
    private String classification = "";
    private String openLicense = "";

    @Column
    private int codePoints;

    @Column
    private String fontVersion = "";

    private String contradiction = "";
    private byte @Nullable [] sketch;
    private @Nullable String nearFileId;
    private double nearAlike;
    private boolean replaces;

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
            Embedding.Level embeddingLevel,
            String license,
            String openLicenseQuote,
            String classificationBecause,
            List<Evidence> evidence,
            List<String> notes,
            List<String> warnings,
            @Nullable Mark mark,
            List<String> languages) {
        static final Facts NONE = new Facts(
                FontFormat.TTF,
                "",
                "",
                0,
                0,
                "",
                "",
                "",
                Embedding.Level.NOT_STATED,
                "",
                "",
                "",
                List.of(),
                List.of(),
                List.of(),
                null,
                List.of());

        /** Intakes of earlier versions lack what was not read then, and have the embedding only in words. */
        Facts {
            sample = Objects.requireNonNullElse(sample, "");
            openLicenseQuote = Objects.requireNonNullElse(openLicenseQuote, "");
            classificationBecause = Objects.requireNonNullElse(classificationBecause, "");
            warnings = Objects.requireNonNullElse(warnings, List.of());
            languages = Objects.requireNonNullElse(languages, List.of());
            String words = embedding;
            embeddingLevel = embeddingLevel != null
                    ? embeddingLevel
                    : Arrays.stream(Embedding.Level.values())
                            .filter(level -> words.startsWith(level.words()))
                            .findFirst()
                            .orElse(Embedding.Level.NOT_STATED);
        }

        Facts withDrawing(String digest) {
            return with(digest, openLicenseQuote, warnings);
        }

        private Facts with(String digest, String quote, List<String> warned) {
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
                    quote,
                    classificationBecause,
                    evidence,
                    notes,
                    warned,
                    mark,
                    languages);
        }

        static Facts of(ReadFile.Font font) {
            FaceReport report = font.report();
            return new Facts(
                    font.format(),
                    report.identity().subfamily(),
                    report.drawing(),
                    report.glyphs(),
                    report.codePoints().length,
                    font.facts().sample(),
                    report.version(),
                    report.embedding().words(),
                    report.embedding().level(),
                    cut(report.license(), 1000),
                    font.license().map(Recognized::quote).orElse(""),
                    font.classification().map(Proposal::because).orElse(""),
                    font.evidence(),
                    font.notes(),
                    warnings(report.details().marks()),
                    font.facts().mark().orElse(null),
                    font.facts().languages());
        }

        static Facts of(ReadFile.Text text) {
            String quote = text.license().map(Recognized::quote).orElse("");
            return NONE.with(NONE.drawing(), quote, warnings(text.marks()));
        }

        private static List<String> warnings(List<Mark> marks) {
            return marks.stream().map(Mark::words).toList();
        }
    }

    IntakeItemEntity(String id, String intakeId, int position, ReadFile file, String sha256) {
        this.id = id;
        this.intakeId = intakeId;
        this.position = position;
        path = cut(file.path(), 2000);
        bytes = file.size();
        this.sha256 = sha256;
        kind = file.kind();
        reason = cut(file.reason(), 2000);
        facts = file.font().map(Facts::of).or(() -> file.text().map(Facts::of)).orElse(Facts.NONE);
        drawing = facts.drawing();
        openLicense = file.font()
                .flatMap(ReadFile.Font::license)
                .or(() -> file.text().flatMap(ReadFile.Text::license))
                .map(recognized -> recognized.license().spdx())
                .orElse("");
        file.font().ifPresent(this::describe);
    }

    private void describe(ReadFile.Font font) {
        format = font.format().key();
        rename(cut(font.report().identity().family(), 300));
        place(font.slot());
        foundry = cut(font.facts().foundry(), 300);
        classify(font.facts().classification());
        codePoints = font.facts().codePoints();
        fontVersion = cut(font.facts().version(), 500);
        contradiction = cut(font.report().identity().contradiction().orElse(""), 500);
        sketch = font.facts().sketch().bytes();
    }

    /** Everything that the inventory keeps of the file when it goes in. */
    FileFacts toFileFacts() {
        return new FileFacts(
                facts.subfamily(),
                drawing,
                Sketch.read(sketch == null ? new byte[0] : sketch),
                facts.glyphs(),
                facts.codePoints(),
                facts.sample(),
                facts.version(),
                facts.embeddingLevel(),
                foundry,
                Classification.of(classification),
                Optional.ofNullable(facts.mark()),
                facts.languages());
    }

    /** Records the held file whose drawing is nearest. */
    void near(String fileId, double alike) {
        nearFileId = fileId;
        nearAlike = alike;
    }

    /** The held file whose drawing was nearest when the file was read. */
    @Nullable
    String nearFileId() {
        return nearFileId;
    }

    /** The held file that it is drawn nearly as, so nearly that it is taken for a copy. */
    @Nullable
    String copyOf() {
        return nearAlike >= Verdicts.COPY ? nearFileId : null;
    }

    final void classify(Optional<Classification> kindOfType) {
        classification = kindOfType.map(Enum::name).orElse("");
    }

    void madeBy(String newFoundry) {
        foundry = newFoundry;
    }

    /** Whether it takes the place of the version that is held. */
    void replace(boolean held) {
        replaces = held;
    }

    /** A person said where it belongs, so what its names and tables say against each other is settled. */
    void settle() {
        contradiction = "";
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
        ReadFile file = ReadFile.none(path, 0, Kind.DAMAGED, reason);
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

    /** The verdict, or before the intake was judged what the kind of the file says. */
    Verdict verdictOrKind() {
        return verdict()
                .orElse(
                        switch (kind) {
                            case FONT -> Verdict.NEW_FACE;
                            case LICENSE_TEXT -> Verdict.LICENSE_TEXT;
                            case README -> Verdict.README;
                            case NOT_A_FONT -> Verdict.NOT_A_FONT;
                            case DAMAGED -> Verdict.DAMAGED;
                        });
    }

    String familyKey() {
        return familyKey;
    }

    /** Whether a person has yet to decide on it. */
    boolean asks() {
        return verdictOrKind().asks() && included == null;
    }

    String because() {
        return because;
    }

    /** Whether it goes in: as decided, or else as its verdict says. */
    boolean goesIn() {
        return goesIn;
    }

    String foundry() {
        return foundry;
    }

    String classification() {
        return classification;
    }

    String openLicense() {
        return openLicense;
    }

    /** Where its own names and tables are far apart, in words; empty where they agree or a person settled it. */
    String contradiction() {
        return contradiction;
    }

    boolean replaces() {
        return replaces;
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
