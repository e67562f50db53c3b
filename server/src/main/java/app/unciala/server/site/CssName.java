package app.unciala.server.site;

import app.unciala.server.fault.Fault;
import java.util.regex.Pattern;

/** The name of a family as CSS has it. */
final class CssName {
    private static final Pattern NO_NAME = Pattern.compile("[\\p{Cntrl}\"\\\\<>{};]");

    private CssName() {}

    /** A name as it is typed, without quotation marks around it; refused when a style sheet could not hold it. */
    static String checked(String field, String typed) {
        String name = typed.strip().replaceAll("^[\"'“‘](.*)[\"'”’]$", "$1").strip();
        if (name.isEmpty() || NO_NAME.matcher(name).find()) {
            throw Fault.invalid(field, "“" + typed + "” can’t be the name of a family in CSS.");
        }
        return name;
    }
}
