package app.unciala.server.check;

/** Where a check stands. */
public enum CheckState {
    WAITING,
    READING,
    DONE,
    STOPPED,
    FAILED;

    public boolean isOver() {
        return this != WAITING && this != READING;
    }
}
