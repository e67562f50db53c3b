package app.unciala.server.family;

import static app.unciala.server.inventory.Texts.cut;

import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.font.FontFormat;
import app.unciala.font.drawing.DrawingDigest;
import app.unciala.font.drawing.Sketch;
import app.unciala.font.face.Embedding;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.face.UseMarks;
import app.unciala.font.face.UseMarks.Mark;
import app.unciala.server.inventory.SlotColumns;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Comparator;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.hibernate.annotations.SQLRestriction;
import org.jspecify.annotations.Nullable;

/** A file held for a slot of a family; its bytes are in the store. */
@Entity
@Table(name = "face_file")
@SQLRestriction("deleted_at is null")
class FaceFileEntity {
    /** By slot, uprights before italics, then by format and age. */
    static final Comparator<FaceFileEntity> ORDER = Comparator.comparingDouble(
                    (FaceFileEntity file) -> file.slot().width().min())
            .thenComparing(file -> file.slot().slope())
            .thenComparingDouble(file -> file.slot().weight().min())
            .thenComparing(file -> file.format)
            .thenComparing(file -> file.addedAt)
            .thenComparing(file -> file.id);

    static final Comparator<FaceFileEntity> BY_AGE =
            Comparator.comparing((FaceFileEntity file) -> file.addedAt).thenComparing(file -> file.id);

    @Id
    private String id = "";

    private String familyId = "";
    private String fileName = "";
    private String sha256 = "";
    private long bytes;

    @Enumerated(EnumType.STRING)
    private FontFormat format = FontFormat.TTF;

    private String subfamily = "";

    @Embedded
    private SlotColumns slot = new SlotColumns(Slot.of(400, 100, Slope.UPRIGHT));

    private String drawing = "";

    @Column
    private int drawingVersion;

    private int glyphs;
    private int codePoints;
    private String sample = "";
    private String fontVersion = "";

    @Enumerated(EnumType.STRING)
    private Embedding.Level embedding = Embedding.Level.NOT_STATED;

    private String foundry = "";
    private String classification = "";
    private byte @Nullable [] sketch;

    @Column
    private @Nullable String languages;

    private @Nullable String markKind;
    private String markSource = "";
    private String markText = "";

    private @Nullable String madeFrom;

    @Column
    private @Nullable String supersededBy;

    private @Nullable String copyOf;
    private Instant addedAt = Instant.EPOCH;
    private String addedBy = "";

    @Column
    private @Nullable Instant deletedAt;

    protected FaceFileEntity() {}

    FaceFileEntity(String id, String familyId, NewFile file, Instant addedAt, String addedBy) {
        this.id = id;
        this.familyId = familyId;
        this.addedAt = addedAt;
        this.addedBy = addedBy;
        fileName = file.fileName();
        sha256 = file.sha256();
        bytes = file.bytes();
        format = file.format();
        madeFrom = file.madeFrom();
        slot = new SlotColumns(file.slot());
        read(file.facts());
    }

    /** A file about to be held: what it is called, what it is, and where it goes. */
    record NewFile(
            String fileName,
            String sha256,
            long bytes,
            FontFormat format,
            Slot slot,
            FileFacts facts,
            @Nullable String madeFrom) {}

    /** Records what the current version reads out of the file. */
    final void read(FileFacts facts) {
        subfamily = cut(facts.subfamily(), 300);
        drawing = facts.drawing();
        drawingVersion = DrawingDigest.VERSION;
        sketch = facts.sketch().bytes();
        glyphs = facts.glyphs();
        codePoints = facts.codePoints();
        sample = facts.sample();
        fontVersion = cut(facts.version(), 500);
        embedding = facts.embedding();
        foundry = cut(facts.foundry(), 300);
        classification = facts.classification().map(Enum::name).orElse("");
        markKind = facts.mark().map(mark -> mark.kind().name()).orElse("");
        markSource = cut(facts.mark().map(Mark::source).orElse(""), 200);
        markText = cut(facts.mark().map(Mark::text).orElse(""), 500);
        // Each between spaces, so that it is found as a whole.
        languages = facts.languages().isEmpty() ? null : cut(" " + String.join(" ", facts.languages()) + " ", 8000);
    }

    private Optional<Mark> mark() {
        return markKind == null || markKind.isEmpty()
                ? Optional.empty()
                : Optional.of(new Mark(UseMarks.Kind.valueOf(markKind), markSource, markText));
    }

    void move(String toFamily, Slot toSlot) {
        familyId = toFamily;
        slot = new SlotColumns(toSlot);
    }

    void delete(Instant at) {
        deletedAt = at;
    }

    /** It went in though it is drawn as this file of another family. */
    void copies(String fileId) {
        copyOf = fileId;
    }

    @Nullable
    String copyOf() {
        return copyOf;
    }

    /** Another file takes its place; it is held no more, but kept. */
    void supersede(String by, Instant at) {
        supersededBy = by;
        delete(at);
    }

    /** The file that took its place; empty while it is held. */
    String supersededBy() {
        return Objects.requireNonNullElse(supersededBy, "");
    }

    void holdAgain() {
        supersededBy = null;
        deletedAt = null;
    }

    String drawing() {
        return drawing;
    }

    long bytes() {
        return bytes;
    }

    int codePoints() {
        return codePoints;
    }

    String fontVersion() {
        return fontVersion;
    }

    String subfamily() {
        return subfamily;
    }

    String foundry() {
        return foundry;
    }

    String classification() {
        return classification;
    }

    /** The drawing in short, or nothing for a file read by an earlier version. */
    Optional<Sketch> sketch() {
        return Optional.ofNullable(sketch).map(Sketch::read);
    }

    String id() {
        return id;
    }

    String familyId() {
        return familyId;
    }

    String sha256() {
        return sha256;
    }

    FontFormat format() {
        return format;
    }

    String fileName() {
        return fileName;
    }

    Slot slot() {
        return slot.toSlot();
    }

    boolean isMadeHere() {
        return madeFrom != null;
    }

    HeldFile toSnapshot(boolean intact) {
        return new HeldFile(
                id,
                Texts.baseName(fileName),
                sha256,
                format,
                slot(),
                drawing,
                embedding,
                codePoints,
                mark(),
                madeFrom != null,
                intact,
                Optional.ofNullable(languages).map(tags -> Set.of(tags.strip().split(" "))));
    }

    FamilyService.File toRecord() {
        return new FamilyService.File(
                id,
                fileName,
                sha256,
                bytes,
                format.key(),
                format.label(),
                SlotView.of(slot()),
                subfamily,
                drawing,
                glyphs,
                codePoints,
                sample,
                fontVersion,
                embedding,
                embedding.words(),
                isMadeHere(),
                addedAt,
                addedBy);
    }
}
