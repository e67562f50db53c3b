package app.unciala.cli;

import java.io.StringWriter;
import java.util.List;
import java.util.Optional;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/** Writes the JSON objects that commands print, one a line. */
final class Json {
    private static final JsonFactory FACTORY = new JsonFactory();

    private Json() {}

    static void strings(JsonGenerator json, String name, List<String> values) {
        json.writeName(name);
        json.writeStartArray();
        values.forEach(json::writeString);
        json.writeEndArray();
    }

    /** A number without a fraction where it has none, and else with four digits at most. */
    static void number(JsonGenerator json, String name, double value) {
        double rounded = Math.round(value * 10_000) / 10_000.0;
        if (rounded == Math.rint(rounded)) {
            json.writeNumberProperty(name, (long) rounded);
        } else {
            json.writeNumberProperty(name, rounded);
        }
    }

    static void optional(JsonGenerator json, String name, Optional<String> value) {
        json.writeName(name);
        if (value.isPresent()) {
            json.writeString(value.get());
        } else {
            json.writeNull();
        }
    }

    /** Writes the properties of one object. */
    interface Properties {
        void write(JsonGenerator json);
    }

    static String object(Properties properties) {
        StringWriter text = new StringWriter();
        try (JsonGenerator json = FACTORY.createGenerator(ObjectWriteContext.empty(), text)) {
            json.writeStartObject();
            properties.write(json);
            json.writeEndObject();
        }
        return text.toString();
    }
}
