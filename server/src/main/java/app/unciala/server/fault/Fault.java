package app.unciala.server.fault;

import java.util.Optional;

/** A request that cannot be done, with a sentence for the person who made it that says what to do instead. */
public final class Fault extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** Why it cannot be done. */
    public enum Kind {
        /** What it names does not exist. */
        NOT_FOUND,
        /** A value of it cannot be. */
        INVALID,
        /** It does not fit what is recorded. */
        CONFLICT,
        /** It edits a version that is no longer current. */
        STALE,
        /** It does not say which version it edits. */
        NO_VERSION,
        /** Nobody is signed in, or name and password do not belong together. */
        UNAUTHORIZED,
        /** Whoever is signed in may not do it. */
        FORBIDDEN,
        /** It was tried too often. */
        TOO_MANY,
        /** The server is busy with others of its kind. */
        BUSY
    }

    private final Kind kind;
    private final Optional<String> field;
    private final String sentence;

    private Fault(Kind kind, Optional<String> field, String sentence) {
        this.kind = kind;
        this.field = field;
        this.sentence = sentence;
    }

    /** What a person is told. */
    @Override
    public String getMessage() {
        return sentence;
    }

    public static Fault notFound(String what, String id) {
        return new Fault(Kind.NOT_FOUND, Optional.empty(), "There is no " + what + " “" + id + "”.");
    }

    public static Fault invalid(String sentence) {
        return new Fault(Kind.INVALID, Optional.empty(), sentence);
    }

    /** A value of the named field cannot be. */
    public static Fault invalid(String field, String sentence) {
        return new Fault(Kind.INVALID, Optional.of(field), sentence);
    }

    public static Fault conflict(String sentence) {
        return new Fault(Kind.CONFLICT, Optional.empty(), sentence);
    }

    public static Fault unauthorized(String sentence) {
        return new Fault(Kind.UNAUTHORIZED, Optional.empty(), sentence);
    }

    public static Fault forbidden(String sentence) {
        return new Fault(Kind.FORBIDDEN, Optional.empty(), sentence);
    }

    public static Fault tooMany(String sentence) {
        return new Fault(Kind.TOO_MANY, Optional.empty(), sentence);
    }

    public static Fault busy(String sentence) {
        return new Fault(Kind.BUSY, Optional.empty(), sentence);
    }

    public static Fault stale() {
        return new Fault(
                Kind.STALE,
                Optional.empty(),
                "Someone changed this in the meantime. Look at what changed, and save again.");
    }

    public static Fault noVersion() {
        return new Fault(
                Kind.NO_VERSION, Optional.empty(), "Send the ETag that you edit as If-Match, so that nothing is lost.");
    }

    public Kind kind() {
        return kind;
    }

    /** The field that is wrong, where one is. */
    public Optional<String> field() {
        return field;
    }
}
