package app.unciala.core.proof;

import app.unciala.core.css.GenericFamily;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import java.util.Optional;

/**
 * A font file that is there, against which a style sheet is read.
 *
 * @param name its file name
 * @param generic what stands in for its family, if that is known
 * @param whyNot why it may not be used where the style sheet is served, or nothing when it may or nobody asks
 */
public record KnownFile(
        String name,
        String family,
        Slot slot,
        FontFormat format,
        Optional<GenericFamily> generic,
        Optional<String> whyNot) {}
