package app.unciala.server.intake;

/** Where an intake stands. */
public enum IntakeState {
    READING,
    REVIEW,
    ACCEPTED,
    DISCARDED,
    FAILED
}
