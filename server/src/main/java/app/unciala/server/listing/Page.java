package app.unciala.server.listing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.data.domain.Window;

/** Some of a list, and the cursor that asks for what follows, or null at its end. */
public record Page<T>(
        List<T> items,
        @Schema(types = {"string", "null"}) @Nullable String next) {
    /** A page of what a repository read from one key on. */
    public static <E, T> Page<T> of(Window<E> window, Function<E, T> toRecord) {
        return of(window, window.stream().map(toRecord).toList());
    }

    /** A page whose items stand for those of the window, in the same order. */
    public static <T> Page<T> of(Window<?> window, List<T> items) {
        boolean more = !window.isEmpty() && window.hasNext();
        return new Page<>(
                items, more ? Cursor.write((KeysetScrollPosition) window.positionAt(window.size() - 1)) : null);
    }
}
