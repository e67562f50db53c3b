package app.unciala.core.license;

/** The answer to whether a use is allowed, from best to worst. */
public enum Verdict {
    ALLOWED,
    NOT_STATED,
    REFUSED;

    /** Of two points that must both hold, the worse one decides. */
    public Verdict and(Verdict other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
