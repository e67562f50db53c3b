package app.unciala.core.face;

/** One thing a file says of its face, where it says it, and whether that agrees with the identity settled on. */
public record Evidence(String source, String says, boolean agrees) {}
