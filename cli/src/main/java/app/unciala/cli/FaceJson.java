package app.unciala.cli;

import app.unciala.font.FontFormat;
import app.unciala.font.Problem;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.face.Range;
import app.unciala.font.report.FaceReport;
import app.unciala.font.table.FvarTable.Axis;
import com.google.common.hash.Hashing;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/** What {@code inspect} prints of a face, as one line of JSON. */
final class FaceJson {
    private static final JsonFactory FACTORY = new JsonFactory();

    private final boolean details;
    private final List<String> languages;

    /** {@code languages} are those to say the lacking characters of. */
    FaceJson(boolean details, List<String> languages) {
        this.details = details;
        this.languages = languages;
    }

    String line(Path file, FontFormat format, byte[] bytes, FaceReport report) {
        StringWriter text = new StringWriter();
        FaceIdentity identity = report.identity();
        try (JsonGenerator json = FACTORY.createGenerator(ObjectWriteContext.empty(), text)) {
            json.writeStartObject();
            json.writeStringProperty("file", file.toString());
            json.writeStringProperty("format", format.key());
            json.writeStringProperty("family", identity.family());
            json.writeStringProperty("subfamily", identity.subfamily());
            range(json, "weight", identity.slot().weight());
            range(json, "width", identity.slot().width());
            json.writeStringProperty("slope", identity.slot().slope().key());
            json.writeBooleanProperty("variable", report.variable());
            json.writeArrayPropertyStart("axes");
            for (Axis axis : report.axes()) {
                json.writeStartObject();
                json.writeStringProperty("tag", axis.tag());
                json.writeName("min");
                number(json, axis.min());
                json.writeName("default");
                number(json, axis.defaultValue());
                json.writeName("max");
                number(json, axis.max());
                json.writeEndObject();
            }
            json.writeEndArray();
            json.writeNumberProperty("glyphs", report.glyphs());
            json.writeNumberProperty("codePoints", report.codePoints().length);
            json.writeStringProperty("version", report.version());
            json.writeStringProperty("embedding", report.embedding().words());
            json.writeStringProperty("sha256", Hashing.sha256().hashBytes(bytes).toString());
            json.writeStringProperty("drawing", report.drawing());
            json.writeArrayPropertyStart("problems");
            for (Problem problem : report.problems()) {
                json.writeStartObject();
                json.writeStringProperty("severity", problem.severity().name().toLowerCase(Locale.ROOT));
                json.writeStringProperty("table", problem.table().strip());
                json.writeStringProperty("text", problem.text());
                json.writeEndObject();
            }
            json.writeEndArray();
            if (details) {
                DetailsJson.write(json, report);
            }
            if (!languages.isEmpty()) {
                DetailsJson.writeLacking(json, report, languages);
            }
            json.writeEndObject();
        }
        return text.toString();
    }

    static String error(Path file, String error) {
        StringWriter text = new StringWriter();
        try (JsonGenerator json = FACTORY.createGenerator(ObjectWriteContext.empty(), text)) {
            json.writeStartObject();
            json.writeStringProperty("file", file.toString());
            json.writeStringProperty("error", error);
            json.writeEndObject();
        }
        return text.toString();
    }

    /** A static face's value, or [min, max] of a variable one. */
    static void range(JsonGenerator json, String name, Range range) {
        json.writeName(name);
        if (range.isSingle()) {
            number(json, range.min());
        } else {
            json.writeStartArray();
            number(json, range.min());
            number(json, range.max());
            json.writeEndArray();
        }
    }

    static void number(JsonGenerator json, double value) {
        if (value == Math.rint(value)) {
            json.writeNumber((long) value);
        } else {
            json.writeNumber(value);
        }
    }
}
