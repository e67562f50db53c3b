package app.unciala.font.face;

import java.util.Objects;

/**
 * One thing a file says of its face, where it says it, and whether that agrees with the identity settled on.
 *
 * @param settled what was settled on instead, in words; empty where it agrees, and in evidence kept by an earlier version
 */
public record Evidence(String source, String says, boolean agrees, String settled) {
    public Evidence {
        settled = agrees ? "" : Objects.requireNonNullElse(settled, "");
    }
}
