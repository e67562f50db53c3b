package app.unciala.cli;

import app.unciala.core.check.SiteRoles;
import app.unciala.core.page.OtherMeasure;
import app.unciala.core.page.RoleShown;
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

    private static void measure(JsonGenerator json, OtherMeasure measure) {
        json.writeStartObject();
        json.writeStringProperty("property", measure.property());
        json.writeStringProperty("asked", measure.asked());
        json.writeStringProperty("shown", measure.shown());
        json.writeName("winner");
        WinnerJson.write(json, measure.winner());
        json.writeEndObject();
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
        json.writeName("measures");
        json.writeStartArray();
        shown.measures().forEach(measure -> measure(json, measure));
        json.writeEndArray();
        json.writeName("winner");
        WinnerJson.write(json, shown.winner());
        json.writeStringProperty("why", shown.why());
        Json.optional(json, "override", shown.override());
        Json.optional(json, "overrideAnywhere", shown.overrideAnywhere());
        json.writeEndObject();
    }
}
