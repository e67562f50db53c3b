package app.unciala.cli;

import app.unciala.core.css.cascade.Winner;
import app.unciala.core.css.cascade.Winners;
import java.util.Optional;
import tools.jackson.core.JsonGenerator;

/** The declarations that decide how a text is set, as JSON, the same as the server's. */
final class WinnerJson {
    private WinnerJson() {}

    /** An object for the declaration that decides, or null where none does. */
    static void write(JsonGenerator json, Optional<Winner> winner) {
        if (winner.isEmpty()) {
            json.writeNull();
            return;
        }
        Winner one = winner.get();
        json.writeStartObject();
        json.writeStringProperty("property", one.property());
        json.writeStringProperty("selector", one.rule().selector());
        Json.optional(json, "sheet", one.sheet());
        json.writeNumberProperty("line", one.rule().line());
        json.writeStringProperty("value", one.value());
        json.writeBooleanProperty("important", one.important());
        Json.optional(json, "layer", one.layer());
        Json.optional(json, "via", one.setIn());
        json.writeEndObject();
    }

    /** An object with what decides on each property. */
    static void write(JsonGenerator json, Winners winners) {
        json.writeStartObject();
        json.writeName("family");
        write(json, winners.family());
        json.writeName("weight");
        write(json, winners.weight());
        json.writeName("slope");
        write(json, winners.slope());
        json.writeName("size");
        write(json, winners.size());
        json.writeEndObject();
    }
}
