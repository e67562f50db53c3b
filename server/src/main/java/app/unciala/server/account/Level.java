package app.unciala.server.account;

/** What a person may do; each level may do what those before it may. */
public enum Level {
    /** Sees everything, changes nothing. */
    READER,
    /** Changes the inventory. */
    EDITOR,
    /** Adds and removes people, changes settings, makes backups. */
    ADMINISTRATOR
}
