package app.unciala.cli;

import app.unciala.core.check.SiteRoles;
import app.unciala.core.css.cascade.TextStyle.CustomProperty;
import app.unciala.core.css.cascade.Winner;
import app.unciala.core.css.cascade.Winner.Place;
import app.unciala.core.page.RoleShown;
import java.util.Optional;
import tools.jackson.core.JsonGenerator;

/** A text role on the pages as one JSON object, the same as the server's. */
final class RoleLine {
    private RoleLine() {}

    static String of(SiteRoles.Result result) {
        return Json.object(json -> {
            json.writeStringProperty("role", result.role().role());
            json.writeStringProperty("selector", result.role().selector());
            json.writeNumberProperty("texts", result.texts());
            json.writeNumberProperty("pages", result.pages());
            json.writeStringProperty("verdict", result.verdict().name());
            json.writeName("asked");
            json.writeStartObject();
            json.writeStringProperty("family", result.role().family());
            Json.number(json, "weight", result.role().weight());
            json.writeStringProperty("slope", result.role().slope().key());
            json.writeEndObject();
            json.writeName("shown");
            json.writeStartArray();
            result.shown().forEach(shown -> shown(json, shown));
            json.writeEndArray();
        });
    }

    private static void shown(JsonGenerator json, RoleShown shown) {
        json.writeStartObject();
        json.writeStringProperty("family", shown.family());
        Json.number(json, "weight", shown.weight());
        json.writeStringProperty("slope", shown.slope().key());
        Json.strings(json, "faked", shown.faked());
        json.writeNumberProperty("texts", shown.texts());
        json.writeStringProperty("page", shown.page());
        json.writeStringProperty("text", shown.text());
        json.writeStringProperty("path", shown.path());
        json.writeBooleanProperty("asAsked", shown.asAsked());
        json.writeName("winner");
        winner(json, shown.winner());
        json.writeStringProperty("why", shown.why());
        Json.optional(json, "override", shown.override());
        json.writeEndObject();
    }

    private static void winner(JsonGenerator json, Optional<Winner> winner) {
        if (winner.isEmpty()) {
            json.writeNull();
            return;
        }
        Winner one = winner.get();
        json.writeStartObject();
        json.writeStringProperty("property", one.property());
        json.writeStringProperty("selector", one.rule().selector());
        Json.optional(json, "sheet", Optional.of(one.rule().url()).filter(url -> one.place() != Place.BROWSER));
        json.writeNumberProperty("line", one.rule().line());
        json.writeStringProperty("value", one.value());
        json.writeBooleanProperty("important", one.important());
        Json.optional(json, "layer", one.layer());
        Json.optional(
                json, "via", one.via().stream().reduce((first, last) -> last).map(CustomProperty::name));
        json.writeEndObject();
    }
}
