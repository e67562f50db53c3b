package app.unciala.core.flag;

/** The groups in which flags are gathered. */
public enum FlagGroup {
    UNLICENSED,
    MISSING,
    DUPLICATE,
    SURPLUS,
    PRIVACY
}
