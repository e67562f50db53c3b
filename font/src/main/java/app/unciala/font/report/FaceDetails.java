package app.unciala.font.report;

import app.unciala.font.color.ColorFormats;
import app.unciala.font.face.Range;
import app.unciala.font.face.UseMarks;
import app.unciala.font.layout.LayoutFeatures;
import app.unciala.font.metrics.VerticalMetrics;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.FvarTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.Os2Table;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;

/**
 * What a face says beyond its identity.
 *
 * @param foundry the manufacturer's name, empty where the face has none
 * @param features layout features by tag
 * @param color kinds of color, empty for a face in one color
 * @param cutDown signs that the face was cut to some characters, empty for one that looks whole
 * @param marks words that say the face is not for general use
 * @param opticalSize the sizes it is drawn for, in points
 * @param instances the named instances of a variable face
 */
public record FaceDetails(
        String designer,
        String foundry,
        String trademark,
        String description,
        String vendorUrl,
        String designerUrl,
        VerticalMetrics metrics,
        SortedSet<String> features,
        Hinting hinting,
        List<String> color,
        List<String> cutDown,
        List<UseMarks.Mark> marks,
        Optional<Range> opticalSize,
        List<Instance> instances) {
    private static final double TWENTIETHS = 20;

    /** A named instance: its values by axis tag, in the axes' own scales. */
    public record Instance(String name, Map<String, Double> at) {}

    static FaceDetails of(Sfnt face, NameTable names, CmapTable cmap) {
        return new FaceDetails(
                names.best(NameTable.DESIGNER).orElse(""),
                names.best(NameTable.MANUFACTURER).orElse(""),
                names.best(NameTable.TRADEMARK).orElse(""),
                names.best(NameTable.DESCRIPTION).orElse(""),
                names.best(NameTable.VENDOR_URL).orElse(""),
                names.best(NameTable.DESIGNER_URL).orElse(""),
                VerticalMetrics.read(face),
                LayoutFeatures.of(face),
                Hinting.of(face),
                ColorFormats.of(face),
                CutDown.signs(face, names, cmap),
                UseMarks.in(names),
                opticalSize(face),
                instances(face, names));
    }

    /** The {@code opsz} axis; else OS/2 version 5, whose sizes are twentieths of a point. */
    private static Optional<Range> opticalSize(Sfnt face) {
        Optional<Range> axis = FvarTable.read(face)
                .flatMap(fvar -> fvar.axis("opsz"))
                .filter(opsz -> opsz.min() <= opsz.max())
                .map(opsz -> new Range(opsz.min(), opsz.max()));
        return axis.or(() -> Os2Table.opticalSizes(face)
                .filter(sizes -> sizes[0] < sizes[1] && !(sizes[0] == 0 && sizes[1] == 0xFFFF))
                .map(sizes -> new Range(sizes[0] / TWENTIETHS, sizes[1] / TWENTIETHS)));
    }

    private static List<Instance> instances(Sfnt face, NameTable names) {
        List<Instance> instances = new ArrayList<>();
        FvarTable.read(face).ifPresent(fvar -> fvar.instances().forEach(instance -> {
            Map<String, Double> at = new LinkedHashMap<>();
            for (int axis = 0; axis < fvar.axes().size(); axis++) {
                at.put(fvar.axes().get(axis).tag(), instance.coordinates().get(axis));
            }
            instances.add(new Instance(names.best(instance.nameId()).orElse(""), at));
        }));
        return instances;
    }
}
