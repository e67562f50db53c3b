package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.Place;
import java.util.List;
import java.util.Optional;

/**
 * One thing that is wrong in a style sheet.
 *
 * @param line from 1
 * @param column from 1, in UTF-16 units
 * @param fix what should stand there, or what to do, if it can be done without knowing more
 * @param edits the replacements that make the fix; they belong together
 */
public record Finding(int line, int column, FindingKind kind, String message, Optional<String> fix, List<Edit> edits) {
    public Finding {
        edits = List.copyOf(edits);
    }

    static Finding at(StyleSheet sheet, int offset, FindingKind kind, String message) {
        Place place = sheet.place(offset);
        return new Finding(place.line(), place.column(), kind, message, Optional.empty(), List.of());
    }

    /** The finding with its correction. */
    Finding fixedBy(String fix, List<Edit> corrections) {
        return new Finding(line, column, kind, message, Optional.of(fix), corrections);
    }

    Finding fixedBy(String fix, Edit correction) {
        return fixedBy(fix, List.of(correction));
    }
}
