package app.unciala.core.proof;

import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What a style sheet is read against.
 *
 * @param servedAt the address of the style sheet, or of the page it is for; hosts of the same registrable domain are own
 *     hosts then
 * @param files the font files that are there; without them nothing is said of files
 * @param served whether these files are all that are served, under these names, so that another name leads nowhere;
 *     otherwise they are what is held, and may be served under other names
 * @param expression what the host replaces by the address of a file, with {@code {file}} where its name belongs, if it does
 */
public record Reference(
        Optional<URI> servedAt, Optional<List<KnownFile>> files, boolean served, Optional<String> expression) {
    private static final String NAME = "{file}";

    public static Reference none() {
        return new Reference(Optional.empty(), Optional.empty(), false, Optional.empty());
    }

    /** Files as they are served. */
    public static Reference served(Optional<URI> servedAt, Optional<List<KnownFile>> files) {
        return new Reference(servedAt, files, true, Optional.empty());
    }

    /** Files as they are held. */
    public static Reference inventory(Optional<URI> servedAt, List<KnownFile> files) {
        return new Reference(servedAt, Optional.of(files), false, Optional.empty());
    }

    /** The same for a host that replaces an expression; an empty one is none. */
    public Reference replacing(String text) {
        return new Reference(servedAt, files, served, Optional.of(text.strip()).filter(some -> some.contains(NAME)));
    }

    /** Whether an address is the expression that the host replaces. */
    boolean isReplaced(String url) {
        return replaced().filter(url::matches).isPresent();
    }

    /** What finds the expression where it stands in {@code url()} without quotes, as its host allows. */
    Optional<Pattern> replacedInUrl() {
        return replaced().map(pattern -> Pattern.compile("url\\(\\s*" + pattern + "\\s*\\)", Pattern.CASE_INSENSITIVE));
    }

    private Optional<String> replaced() {
        return expression.map(text -> Pattern.quote(text).replace(NAME, "\\E[^\"'<>{}\\s]+\\Q"));
    }
}
