package app.unciala.core.license;

/** What a license says on one point. Silence is neither yes nor no. */
public enum Clause {
    GRANTED,
    REFUSED,
    NOT_STATED;

    Verdict verdict() {
        return switch (this) {
            case GRANTED -> Verdict.ALLOWED;
            case REFUSED -> Verdict.REFUSED;
            case NOT_STATED -> Verdict.NOT_STATED;
        };
    }
}
