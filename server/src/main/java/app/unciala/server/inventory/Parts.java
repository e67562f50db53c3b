package app.unciala.server.inventory;

import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;

/** Long lists of keys, looked up a thousand at a time. */
public final class Parts {
    private static final int AT_ONCE = 1000;

    private Parts() {}

    /** Calls {@code look} with the distinct keys, in order, at most a thousand at a time; not at all without keys. */
    public static void of(Collection<String> keys, Consumer<List<String>> look) {
        List<String> all = keys.stream().distinct().toList();
        for (int from = 0; from < all.size(); from += AT_ONCE) {
            look.accept(all.subList(from, Math.min(all.size(), from + AT_ONCE)));
        }
    }
}
