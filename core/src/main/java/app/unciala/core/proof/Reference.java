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
 * @param served whether these files are all that are served, under these names, so that another name leads nowhere;
 *     otherwise they are what is held, and may be served under other names
 */
public record Reference(Optional<URI> servedAt, Optional<List<KnownFile>> files, boolean served) {
    public static Reference none() {
        return new Reference(Optional.empty(), Optional.empty(), false);
    }

    /** Files as they are served. */
    public static Reference served(Optional<URI> servedAt, Optional<List<KnownFile>> files) {
        return new Reference(servedAt, files, true);
    }

    /** Files as they are held. */
    public static Reference inventory(Optional<URI> servedAt, List<KnownFile> files) {
        return new Reference(servedAt, Optional.of(files), false);
    }
}
