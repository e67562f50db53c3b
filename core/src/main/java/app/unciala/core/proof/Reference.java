package app.unciala.core.proof;

import java.net.URI;
import java.util.List;
import java.util.Optional;

/**
 * What a style sheet is read against.
 *
 * @param servedAt the address of the style sheet, or of the page it is for; hosts of the same registrable domain are own
 *     hosts then
 * @param files the font files that are there; without them nothing is said of files
 */
public record Reference(Optional<URI> servedAt, Optional<List<KnownFile>> files) {
    public static Reference none() {
        return new Reference(Optional.empty(), Optional.empty());
    }
}
