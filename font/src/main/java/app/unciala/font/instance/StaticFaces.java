package app.unciala.font.instance;

import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.rename.Restyler;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.FvarTable;
import app.unciala.font.table.FvarTable.Axis;
import app.unciala.font.table.PostTable;
import app.unciala.font.variation.Location;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Static faces out of variable ones, named and classed as the slot they come to fill. */
public final class StaticFaces {
    private StaticFaces() {}

    /**
     * The static face at a point of the axes.
     *
     * @param values by axis tag, in the axes' own scales; an axis not named stands at its default
     * @throws app.unciala.font.FontException if the outlines of the face do not vary, or it has no such point
     */
    public static Sfnt at(Sfnt face, Map<String, Double> values) {
        FaceIdentity identity = FaceIdentifier.identify(face);
        Sfnt instance = Instancer.instantiate(face, Location.of(face, values));
        List<Axis> axes = FvarTable.read(face).map(FvarTable::axes).orElse(List.of());
        double weight =
                value(axes, values, "wght").orElse(identity.slot().weight().min());
        double width =
                value(axes, values, "wdth").orElse(identity.slot().width().min());
        Optional<Double> slant = value(axes, values, "slnt");
        double angle =
                slant.or(() -> PostTable.read(face).map(PostTable::italicAngle)).orElse(0.0);
        boolean italic = value(axes, values, "ital").orElse(0.0) >= 0.5;
        Slope slope = italic
                ? Slope.ITALIC
                : slant.filter(a -> a != 0).isPresent()
                        ? Slope.OBLIQUE
                        : identity.slot().slope();
        return Restyler.place(instance, identity.family(), Slot.of(weight, width, slope), angle);
    }

    private static Optional<Double> value(List<Axis> axes, Map<String, Double> values, String tag) {
        return axes.stream()
                .filter(axis -> axis.tag().equals(tag))
                .findFirst()
                .map(axis -> values.getOrDefault(tag, axis.defaultValue()));
    }
}
