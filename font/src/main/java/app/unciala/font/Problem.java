package app.unciala.font;

/** Something wrong with a font that can still be read. */
public record Problem(Severity severity, String table, String text) {
    /** How much it matters: {@code NOTE} is worth knowing, {@code WARNING} may show, {@code ERROR} will. */
    public enum Severity {
        NOTE,
        WARNING,
        ERROR
    }

    /** A problem that makes browsers refuse the whole font. */
    public static Problem refusal(String table, String text) {
        return new Problem(Severity.ERROR, table, text + "; browsers refuse the file");
    }
}
