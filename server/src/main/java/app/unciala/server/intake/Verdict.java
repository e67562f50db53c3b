package app.unciala.server.intake;

/** What accepting a file would mean. */
public enum Verdict {
    NEW_FAMILY(true, false),
    NEW_FACE(true, false),
    FURTHER_FORMAT(true, false),
    /** A later version of the drawing that is held for the slot. */
    NEWER_VERSION(false, true),
    /** Drawn as another family that is held. */
    RENAMED_COPY(false, true),
    /** Another drawing than the one that is held for the slot. */
    CLASH(false, true),
    /** The file's own names and tables are far apart. */
    CONTRADICTION(false, true),
    SAME_BYTES(false, false),
    /** The drawing is held already, in this format or filed elsewhere. */
    SAME_DRAWING(false, false),
    OLDER_VERSION(false, false),
    /** Drawn as what is held, with fewer characters. */
    CUT_DOWN_COPY(false, false),
    LICENSE_TEXT(false, false),
    README(false, false),
    NOT_A_FONT(false, false),
    DAMAGED(false, false);

    private final boolean goesIn;
    private final boolean asks;

    Verdict(boolean goesIn, boolean asks) {
        this.goesIn = goesIn;
        this.asks = asks;
    }

    /** Whether a file goes in unless a person says otherwise. */
    boolean goesIn() {
        return goesIn;
    }

    /** Whether a person has to decide on it. */
    boolean asks() {
        return asks;
    }
}
