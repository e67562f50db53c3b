package app.unciala.server.http;

import app.unciala.server.fault.Fault;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;

/** Versions of what is edited, as {@code ETag} and {@code If-Match}: an edit of an old version is refused. */
public final class Versions {
    private Versions() {}

    public static <T> ResponseEntity<T> tagged(HttpStatus status, long version, T body) {
        return ResponseEntity.status(status).eTag("\"" + version + "\"").body(body);
    }

    public static <T> ResponseEntity<T> tagged(long version, T body) {
        return tagged(HttpStatus.OK, version, body);
    }

    /** The version that a request edits; without {@code If-Match} the request is refused. */
    public static long expected(@Nullable String ifMatch) {
        if (ifMatch == null) {
            throw Fault.noVersion();
        }
        String digits = ifMatch.replaceAll("^W/", "").replace("\"", "");
        try {
            return Long.parseLong(digits);
        } catch (NumberFormatException e) {
            throw Fault.stale();
        }
    }
}
