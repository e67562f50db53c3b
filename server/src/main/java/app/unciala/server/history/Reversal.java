package app.unciala.server.history;

import java.util.List;

/** How a deed is taken back: which {@link Reverser} does it, and the ids it needs. */
public record Reversal(String kind, List<String> ids) {
    public Reversal {
        ids = List.copyOf(ids);
    }
}
