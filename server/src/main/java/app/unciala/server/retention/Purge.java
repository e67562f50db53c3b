package app.unciala.server.retention;

import java.time.Instant;

/** What one feature removes for good some time after it was deleted; those that others refer to come later. */
public interface Purge {
    /** What is removed, in the plural, such as {@code packs of deleted sites}. */
    String what();

    /** Removes what was deleted before a time, in a transaction of its own. */
    void purge(Instant before);
}
