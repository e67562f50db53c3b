package app.unciala.font.face;

import java.util.Objects;

/**
 * One thing a file says of its face, where it says it, and whether that agrees with the identity that was determined.
 *
 * @param settled what was determined instead, in words; empty where it agrees, and in evidence kept by an earlier
 *     version
 */
public record Evidence(String source, String says, boolean agrees, String settled) {
    public Evidence {
        settled = agrees ? "" : Objects.requireNonNullElse(settled, "");
    }
}
