package app.unciala.core.face;

import app.unciala.core.drawing.DrawingDigest;
import app.unciala.core.font.FontException;
import app.unciala.core.font.Problem;
import app.unciala.core.font.Problem.Severity;
import app.unciala.core.font.outline.OutlineReader;
import app.unciala.core.font.outline.Outlines;
import app.unciala.core.font.sfnt.CmapTable;
import app.unciala.core.font.sfnt.FvarTable;
import app.unciala.core.font.sfnt.FvarTable.Axis;
import app.unciala.core.font.sfnt.HheaTable;
import app.unciala.core.font.sfnt.MaxpTable;
import app.unciala.core.font.sfnt.NameTable;
import app.unciala.core.font.sfnt.Os2Table;
import app.unciala.core.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * All that a face says of itself: identity, version, embedding permission, size, coverage, drawing, license texts,
 * details, and the problems found, the worst first. {@code drawing} is 64 hexadecimal digits.
 */
public record FaceReport(
        FaceIdentity identity,
        boolean variable,
        List<Axis> axes,
        int glyphs,
        int[] codePoints,
        String version,
        Embedding embedding,
        String copyright,
        String license,
        String licenseUrl,
        String vendor,
        String drawing,
        FaceDetails details,
        List<Problem> problems) {

    /**
     * Reads the whole face, outlines too.
     *
     * @throws FontException if a table that text needs is missing or damaged
     */
    public static FaceReport of(Sfnt face) {
        NameTable names = NameTable.read(face);
        FaceIdentity identity = FaceIdentifier.identify(face, names);
        List<Axis> axes = FvarTable.read(face).map(FvarTable::axes).orElse(List.of());
        CmapTable cmap = CmapTable.read(face);
        Outlines outlines = OutlineReader.read(face);
        String drawing = DrawingDigest.of(face, cmap, outlines);
        FaceDetails details = FaceDetails.of(face, names, cmap);
        return new FaceReport(
                identity,
                !axes.isEmpty(),
                axes,
                MaxpTable.read(face).numGlyphs(),
                cmap.codePoints(),
                names.best(NameTable.VERSION).orElse(""),
                Os2Table.read(face).map(Os2Table::fsType).map(Embedding::of).orElse(Embedding.notStated()),
                names.best(NameTable.COPYRIGHT).orElse(""),
                names.best(NameTable.LICENSE).orElse(""),
                names.best(NameTable.LICENSE_URL).orElse(""),
                names.best(NameTable.MANUFACTURER)
                        .or(() -> Os2Table.read(face).map(Os2Table::vendorId))
                        .orElse(""),
                drawing,
                details,
                problems(face, identity, cmap, details));
    }

    private static List<Problem> problems(Sfnt face, FaceIdentity identity, CmapTable cmap, FaceDetails details) {
        List<Problem> problems = new ArrayList<>(face.problems());
        for (Evidence conflict : identity.conflicts()) {
            problems.add(new Problem(
                    Severity.WARNING,
                    conflict.source(),
                    "says " + conflict.says() + ", against " + identity.slot().label()));
        }
        if (cmap.size() == 0) {
            problems.add(new Problem(Severity.ERROR, "cmap", "maps no characters, so no text can be set"));
        }
        if (identity.family().length() > 100) {
            problems.add(new Problem(
                    Severity.WARNING,
                    "name",
                    "has a family name of " + identity.family().length() + " characters"));
        }
        HheaTable hhea = HheaTable.read(face);
        if (hhea.ascender() == 0 && hhea.descender() == 0) {
            problems.add(new Problem(Severity.WARNING, "hhea", "gives no ascender or descender"));
        }
        if (Os2Table.read(face).isEmpty()) {
            problems.add(new Problem(Severity.WARNING, "OS/2", "is missing, so weight and permission are not stated"));
        }
        if (!details.metrics().agree()) {
            problems.add(new Problem(
                    Severity.NOTE, "OS/2", "and hhea disagree, so lines are not equally high on every system"));
        }
        details.cutDown().forEach(sign -> problems.add(new Problem(Severity.NOTE, "cmap", "looks cut down: " + sign)));
        details.marks()
                .forEach(mark -> problems.add(
                        new Problem(Severity.WARNING, mark.source(), mark.kind().words() + ": “" + mark.text() + "”")));
        problems.sort(Comparator.comparing(Problem::severity).reversed());
        return problems;
    }
}
