package app.unciala.font.instance;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.color.ColorLayersCutter;
import app.unciala.font.subset.layout.LayoutCutter;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.variation.Location;
import app.unciala.font.variation.TupleVariations;
import java.util.List;

/** Makes a static face out of a variable one: the drawing, metrics and layout at one location of the design space. */
public final class Instancer {
    private static final List<String> VARYING =
            List.of("fvar", "gvar", "avar", "cvar", "HVAR", "VVAR", "MVAR", "STAT", "CFF2");

    private Instancer() {}

    /**
     * The face at a location. Its names and its style stay those of the variable font.
     *
     * @throws FontException if the face has neither {@code gvar} nor {@code CFF2}, or a table is damaged
     */
    public static Sfnt instantiate(Sfnt face, Location location) {
        Sfnt instance = outlines(face, location);
        instance = LayoutCutter.instantiate(instance, MaxpTable.read(face).numGlyphs(), location);
        instance = ColorLayersCutter.instantiate(instance, MaxpTable.read(face).numGlyphs(), location);
        if (face.table("MVAR").isPresent()) {
            instance = MetricsTags.instantiate(instance, face.require("MVAR"), location);
        }
        if (face.table("cvar").isPresent() && face.table("cvt ").isPresent()) {
            instance = instance.with("cvt ", controlValues(face, location));
        }
        for (String tag : VARYING) {
            instance = instance.without(tag);
        }
        return instance;
    }

    private static Sfnt outlines(Sfnt face, Location location) {
        if (face.table("CFF2").isPresent()) {
            return Cff2Instancer.instantiate(face, location);
        }
        if (face.table("gvar").isEmpty() || face.table("glyf").isEmpty()) {
            throw new FontException("gvar", -1, "is missing, and so is CFF2: nothing says how outlines vary");
        }
        return new GlyphInstancer(face, location).run();
    }

    /** {@code cvar}: the control values that instructions refer to, varied like the points of a glyph. */
    private static byte[] controlValues(Sfnt face, Location location) {
        ByteView cvt = face.require("cvt ");
        ByteView cvar = face.require("cvar");
        double[] values = new double[cvt.length() / 2];
        for (int i = 0; i < values.length; i++) {
            values[i] = cvt.i16(2 * i);
        }
        new TupleVariations(cvar, 4, location.axisCount(), cvar)
                .forEach(location, values.length, 1, (scalar, points, deltas) -> {
                    for (int i = 0; i < points.length; i++) {
                        if (points[i] < values.length) {
                            values[points[i]] += scalar * deltas[0][i];
                        }
                    }
                });
        ByteSink out = new ByteSink();
        for (double value : values) {
            out.u16((int) Math.round(value));
        }
        return out.toArray();
    }
}
