package app.unciala.server.http;

/** The answer to what can be taken back: the entry of the history that {@code POST /api/history/{id}/undo} takes. */
public record Undoable(String historyId) {}
