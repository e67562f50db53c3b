package app.unciala.server.family;

import app.unciala.core.drawing.DrawingDigest;
import app.unciala.core.face.Embedding;
import app.unciala.core.face.FaceReport;
import app.unciala.core.face.Range;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import app.unciala.core.language.SampleLetters;
import app.unciala.server.http.SlotView;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Comparator;
import org.jspecify.annotations.Nullable;

/** A file held for a slot of a family; its bytes are in the store. */
@Entity
@Table(name = "face_file")
class FaceFileEntity {
    static final Comparator<FaceFileEntity> ORDER = Comparator.comparingDouble((FaceFileEntity file) -> file.widthMin)
            .thenComparing(file -> file.slope)
            .thenComparingDouble(file -> file.weightMin)
            .thenComparing(file -> file.format)
            .thenComparing(file -> file.addedAt)
            .thenComparing(file -> file.id);

    @Id
    private String id = "";

    private String familyId = "";
    private String fileName = "";
    private String sha256 = "";
    private long bytes;

    @Enumerated(EnumType.STRING)
    private FontFormat format = FontFormat.TTF;

    private String subfamily = "";
    private double weightMin;
    private double weightMax;
    private double widthMin;
    private double widthMax;

    @Enumerated(EnumType.STRING)
    private Slope slope = Slope.UPRIGHT;

    private String drawing = "";
    private int drawingVersion;
    private int glyphs;
    private int codePoints;
    private String sample = "";
    private String fontVersion = "";

    @Enumerated(EnumType.STRING)
    private Embedding.Level embedding = Embedding.Level.NOT_STATED;

    private @Nullable String madeFrom;
    private Instant addedAt = Instant.EPOCH;
    private String addedBy = "";

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
        weightMin = file.slot().weight().min();
        weightMax = file.slot().weight().max();
        widthMin = file.slot().width().min();
        widthMax = file.slot().width().max();
        slope = file.slot().slope();
        FaceReport report = file.report();
        subfamily = cut(report.identity().subfamily(), 300);
        redraw(report.drawing());
        showBy(SampleLetters.of(report.codePoints()));
        glyphs = report.glyphs();
        codePoints = report.codePoints().length;
        fontVersion = cut(report.version(), 500);
        embedding = report.embedding().level();
    }

    /** A file about to be held: what it is called, what it is, and where it goes. */
    record NewFile(
            String fileName,
            String sha256,
            long bytes,
            FontFormat format,
            Slot slot,
            FaceReport report,
            @Nullable String madeFrom) {}

    private static String cut(String text, int length) {
        return text.length() > length ? text.substring(0, length) : text;
    }

    /** Records the digest of the drawing as the current version of it computes it. */
    final void redraw(String digest) {
        drawing = digest;
        drawingVersion = DrawingDigest.VERSION;
    }

    /** Records the letters to show the file by. */
    final void showBy(String letters) {
        sample = letters;
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
        return new Slot(new Range(weightMin, weightMax), new Range(widthMin, widthMax), slope);
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
                madeFrom != null,
                addedAt,
                addedBy);
    }
}
