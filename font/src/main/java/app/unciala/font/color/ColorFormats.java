package app.unciala.font.color;

import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;

/** Which kinds of color a face has, in words, from its tables. */
public final class ColorFormats {
    private ColorFormats() {}

    /** Such as "COLR version 1"; empty for a face in one color. */
    public static List<String> of(Sfnt face) {
        List<String> formats = new ArrayList<>();
        face.table("COLR").ifPresent(colr -> formats.add("COLR version " + colr.u16(0)));
        for (String tag : List.of("CBDT", "sbix", "SVG ")) {
            if (face.table(tag).isPresent()) {
                formats.add(tag.strip());
            }
        }
        return formats;
    }
}
