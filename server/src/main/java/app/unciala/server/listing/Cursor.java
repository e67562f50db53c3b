package app.unciala.server.listing;

import app.unciala.server.fault.Fault;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Where a page begins: after the item with these keys, whether it still exists or not. Written as the keys in JSON, in
 * the Base64 of URLs.
 */
public final class Cursor {
    private static final int MOST = 500;
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private Cursor() {}

    /**
     * The position after a cursor, or the beginning without one.
     *
     * @param sample an item's keys by name, each of the type it has: a string, a number, a day or an instant
     */
    public static KeysetScrollPosition read(@Nullable String cursor, Map<String, Object> sample) {
        if (cursor == null || cursor.isBlank()) {
            return ScrollPosition.keyset();
        }
        try {
            JsonNode json = MAPPER.readTree(new String(Base64.getUrlDecoder().decode(cursor), StandardCharsets.UTF_8));
            Map<String, Object> keys = new LinkedHashMap<>();
            for (Map.Entry<String, Object> key : sample.entrySet()) {
                keys.put(key.getKey(), value(json.required(key.getKey()).asString(), key.getValue()));
            }
            return ScrollPosition.forward(keys);
        } catch (RuntimeException e) {
            throw Fault.invalid("cursor", "This cursor doesn’t belong to this list; use the one that came as “next”.");
        }
    }

    /** The keys of an item by its unique name, as most lists are ordered. */
    public static Map<String, Object> keys(Sort sort, Object... samples) {
        Map<String, Object> keys = new LinkedHashMap<>();
        int i = 0;
        for (Sort.Order order : sort) {
            keys.put(order.getProperty(), samples[i++]);
        }
        return keys;
    }

    /** As many items as asked for, between one and 500. */
    public static Limit limit(int asked) {
        return Limit.of(Math.max(1, Math.min(asked, MOST)));
    }

    static String write(KeysetScrollPosition position) {
        return after(position.getKeys());
    }

    /** The cursor of a page that begins after the item with these keys. */
    public static String after(Map<String, Object> item) {
        Map<String, String> keys = new LinkedHashMap<>();
        item.forEach((name, value) -> keys.put(name, String.valueOf(value)));
        try {
            return Base64.getUrlEncoder()
                    .withoutPadding()
                    .encodeToString(MAPPER.writeValueAsString(keys).getBytes(StandardCharsets.UTF_8));
        } catch (JacksonException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Object value(String text, Object sample) {
        if (sample instanceof Long) {
            return Long.valueOf(text);
        }
        if (sample instanceof Integer) {
            return Integer.valueOf(text);
        }
        if (sample instanceof LocalDate) {
            return LocalDate.parse(text);
        }
        return sample instanceof Instant ? Instant.parse(text) : text;
    }
}
