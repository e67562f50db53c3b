package app.unciala.core.license;

/** On what a license rests. It says what is presumed where its terms say nothing; what the terms say goes before it. */
public enum Basis {
    /** An open license, which grants what its text grants (see {@link OpenLicense}). */
    OPEN("open license"),
    /** Free for personal use; a client's site is none. */
    PERSONAL("free for personal use"),
    DONATION("free with donation"),
    BOUGHT("bought outright"),
    PAGE_VIEWS("bought by page views"),
    SUBSCRIPTION("subscription"),
    TRIAL("trial"),
    DESKTOP("desktop only"),
    CLIENT_SUPPLIED("supplied by the client"),
    CUSTOM("custom terms");

    private final String words;

    Basis(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether the license was paid for, or is being paid for. */
    public boolean isPaid() {
        return this == BOUGHT || this == PAGE_VIEWS || this == SUBSCRIPTION;
    }

    /** What is presumed of an act: a trial, a license for personal use or for the desktop refuses publishing. */
    public Clause presumes(Act act) {
        boolean refusesPublishing = this == TRIAL || this == PERSONAL || this == DESKTOP;
        return refusesPublishing && act.publishes() ? Clause.REFUSED : Clause.NOT_STATED;
    }
}
