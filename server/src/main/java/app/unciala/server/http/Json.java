package app.unciala.server.http;

import tools.jackson.databind.json.JsonMapper;

/** Records kept as JSON in one column: parts that are read and written only together with their row. */
public final class Json {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private Json() {}

    public static String write(Object value) {
        return MAPPER.writeValueAsString(value);
    }

    public static <T> T read(String json, Class<T> type) {
        return MAPPER.readValue(json, type);
    }
}
