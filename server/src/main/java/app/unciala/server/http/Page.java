package app.unciala.server.http;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Some of a list, and the cursor that asks for what follows, or null at its end. */
public record Page<T>(
        List<T> items,
        @Schema(types = {"string", "null"}) @Nullable String next) {
    private static final int MOST = 500;

    /** The items after the one whose key is {@code cursor}; {@code all} is in a stable order with unique keys. */
    public static <T> Page<T> of(List<T> all, Function<T, String> key, @Nullable String cursor, int limit) {
        int from = 0;
        if (cursor != null) {
            while (from < all.size() && !key.apply(all.get(from)).equals(cursor)) {
                from++;
            }
            from = Math.min(from + 1, all.size());
        }
        int to = Math.min(all.size(), from + Math.max(1, Math.min(limit, MOST)));
        String next = to < all.size() ? key.apply(all.get(to - 1)) : null;
        return new Page<>(List.copyOf(all.subList(from, to)), next);
    }
}
