package app.unciala.server.pack;

/** One file of a pack, or what was left out or undone ({@code bytes} 0, with the reason as its path). */
public record Content(String path, long bytes, boolean leftOut) {}
