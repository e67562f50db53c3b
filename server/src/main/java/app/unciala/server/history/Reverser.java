package app.unciala.server.history;

/** Takes back deeds of one or more kinds, as long as nothing was built on them. */
public interface Reverser {
    boolean reverses(String kind);

    /**
     * Takes a deed back, in the caller's transaction.
     *
     * @throws app.unciala.server.fault.Fault when something was built on it, saying what
     */
    void reverse(Reversal reversal);
}
