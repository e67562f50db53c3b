package app.unciala.core.pack;

import app.unciala.core.pack.DeliveredFiles.Delivered;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Role;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import com.google.common.hash.Hashing;
import java.io.StringWriter;
import java.util.Arrays;
import java.util.function.Consumer;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/** The parts of a pack that are JSON: its manifest, and design tokens. */
final class PackJson {
    private static final JsonFactory FACTORY = new JsonFactory();

    private PackJson() {}

    /** What the pack holds, and from what it was made. */
    static String manifest(PackRequest request, DeliveredFiles files) {
        return written(json -> {
            json.writeStringProperty("site", request.siteName());
            strings(json, "domains", request.domains());
            json.writeStringProperty("made", request.day().toString());
            json.writeStringProperty("by", "Unciala " + request.version());
            json.writeStringProperty("placement", request.placement().kind().name());
            json.writeStringProperty("shape", request.shape().name());
            json.writeArrayPropertyStart("faces");
            request.faces().forEach(face -> face(json, request, face, files));
            json.writeEndArray();
        });
    }

    private static void face(JsonGenerator json, PackRequest request, Face face, DeliveredFiles files) {
        json.writeStartObject();
        json.writeStringProperty("family", face.family());
        json.writeStringProperty("weight", face.slot().weight().toString().replace("–", " "));
        json.writeStringProperty("width", face.slot().width().toString().replace("–", " "));
        json.writeStringProperty("slope", face.slot().slope().key());
        json.writeStringProperty("source", face.source());
        json.writeStringProperty("license", face.license());
        face.part()
                .map(ScriptPart::script)
                .filter(script -> !script.isEmpty())
                .ifPresent(script -> json.writeStringProperty("script", script));
        face.cut().ifPresent(cut -> {
            json.writeObjectPropertyStart("cut");
            json.writeNumberProperty("kept", cut.kept());
            json.writeNumberProperty("of", cut.of());
            json.writeEndObject();
        });
        json.writeArrayPropertyStart("files");
        for (Delivered file : files.of(face)) {
            json.writeStartObject();
            json.writeStringProperty("path", request.placement().path(file.name()));
            json.writeStringProperty("format", file.format().key());
            json.writeNumberProperty("bytes", file.bytes().length);
            json.writeStringProperty(
                    "sha256", Hashing.sha256().hashBytes(file.bytes()).toString());
            json.writeEndObject();
        }
        json.writeEndArray();
        json.writeEndObject();
    }

    /** The Design Tokens Community Group's format: {@code fontFamily} and {@code fontWeight} for each text role. */
    static String tokens(PackRequest request, TypeRules rules) {
        return written(json -> {
            json.writeObjectPropertyStart("type");
            for (Role role : request.roles()) {
                json.writeObjectPropertyStart(role.role().key());
                json.writeObjectPropertyStart("family");
                json.writeStringProperty("$type", "fontFamily");
                strings(
                        json,
                        "$value",
                        Arrays.stream(rules.stack(role).split(", (?=[\"a-z])"))
                                .map(name -> name.replaceAll("^\"|\"$", "").replace("\\\"", "\""))
                                .toList());
                json.writeEndObject();
                json.writeObjectPropertyStart("weight");
                json.writeStringProperty("$type", "fontWeight");
                json.writeName("$value");
                json.writeNumber(Math.round(Double.parseDouble(TypeRules.weight(role))));
                json.writeEndObject();
                json.writeEndObject();
            }
            json.writeEndObject();
        });
    }

    private static void strings(JsonGenerator json, String name, Iterable<String> values) {
        json.writeArrayPropertyStart(name);
        values.forEach(json::writeString);
        json.writeEndArray();
    }

    private static String written(Consumer<JsonGenerator> content) {
        StringWriter text = new StringWriter();
        try (JsonGenerator json = FACTORY.createGenerator(ObjectWriteContext.empty(), text)) {
            json.writeStartObject();
            content.accept(json);
            json.writeEndObject();
        }
        return text + "\n";
    }
}
