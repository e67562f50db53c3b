package app.unciala.font.report;

import app.unciala.font.FontException;
import app.unciala.font.Problem;
import app.unciala.font.drawing.DrawingDigest;
import app.unciala.font.face.Embedding;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.FvarTable;
import app.unciala.font.table.FvarTable.Axis;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.Os2Table;
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

    /** Who made a face, by name record 8; the four letters of OS/2 name the maker's tool as often as the maker. */
    public static String foundryOf(Sfnt face) {
        return NameTable.read(face).best(NameTable.MANUFACTURER).orElse("");
    }

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
                FaceProblems.of(face, identity, cmap, outlines, details));
    }
}
