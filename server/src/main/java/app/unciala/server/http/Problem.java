package app.unciala.server.http;

import org.springframework.http.HttpStatus;

/** A request that cannot be done, with the status and a sentence for the person who made it (RFC 9457). */
public final class Problem extends RuntimeException {
    private final HttpStatus status;

    private Problem(HttpStatus status, String detail) {
        super(detail);
        this.status = status;
    }

    public static Problem notFound(String what, String id) {
        return new Problem(HttpStatus.NOT_FOUND, "There is no " + what + " “" + id + "”.");
    }

    public static Problem invalid(String detail) {
        return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, detail);
    }

    public static Problem conflict(String detail) {
        return new Problem(HttpStatus.CONFLICT, detail);
    }

    public static Problem unauthorized(String detail) {
        return new Problem(HttpStatus.UNAUTHORIZED, detail);
    }

    static Problem of(HttpStatus status, String detail) {
        return new Problem(status, detail);
    }

    public HttpStatus status() {
        return status;
    }
}
