package app.unciala.server.inventory;

import app.unciala.font.FontFormat;
import app.unciala.server.fault.Fault;

/** Font formats as the API names them, such as {@code woff2}. */
public final class Formats {
    private Formats() {}

    /** The format of a name; refused with the field that has it when there is none. */
    public static FontFormat read(String field, String name) {
        return FontFormat.fromKey(name)
                .orElseThrow(() -> Fault.invalid(
                        field, "“" + name + "” isn’t a font format; try woff2, woff, ttf, otf, eot or svg."));
    }
}
