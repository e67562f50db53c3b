package app.unciala.cli;

import app.unciala.font.face.UseMarks;
import app.unciala.font.language.Exemplars;
import app.unciala.font.language.LanguageCoverage;
import app.unciala.font.report.FaceDetails;
import app.unciala.font.report.FaceReport;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import tools.jackson.core.JsonGenerator;

/** What {@code inspect --details} and {@code --languages} print besides. */
final class DetailsJson {
    /** A language is nearly covered when it lacks no more characters than this. */
    private static final int NEARLY = 6;

    private DetailsJson() {}

    static void write(JsonGenerator json, FaceReport report) {
        FaceDetails details = report.details();
        json.writeStringProperty("designer", details.designer());
        json.writeStringProperty("foundry", details.foundry());
        json.writeStringProperty("vendor", report.vendor());
        json.writeStringProperty("copyright", report.copyright());
        json.writeStringProperty("trademark", details.trademark());
        json.writeStringProperty("license", report.license());
        json.writeStringProperty("licenseUrl", report.licenseUrl());
        json.writeObjectPropertyStart("metrics");
        details.metrics().byName().forEach(json::writeNumberProperty);
        json.writeBooleanProperty("agree", details.metrics().agree());
        json.writeEndObject();
        strings(json, "features", details.features());
        json.writeStringProperty("hinting", details.hinting().words());
        strings(json, "color", details.color());
        strings(json, "cutDown", details.cutDown());
        json.writeArrayPropertyStart("marks");
        for (UseMarks.Mark mark : details.marks()) {
            json.writeStartObject();
            json.writeStringProperty(
                    "kind", mark.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'));
            json.writeStringProperty("source", mark.source());
            json.writeStringProperty("text", mark.text());
            json.writeEndObject();
        }
        json.writeEndArray();
        details.opticalSize().ifPresent(size -> FaceJson.range(json, "opticalSize", size));
        json.writeArrayPropertyStart("instances");
        for (FaceDetails.Instance instance : details.instances()) {
            json.writeStartObject();
            json.writeStringProperty("name", instance.name());
            instance.at().forEach((tag, value) -> {
                json.writeName(tag);
                FaceJson.number(json, value);
            });
            json.writeEndObject();
        }
        json.writeEndArray();
        SortedMap<String, BitSet> lacking =
                LanguageCoverage.lacking(codePoint -> Arrays.binarySearch(report.codePoints(), codePoint) >= 0);
        strings(
                json,
                "languages",
                lacking.entrySet().stream()
                        .filter(language -> language.getValue().isEmpty())
                        .map(Map.Entry::getKey)
                        .toList());
        json.writeObjectPropertyStart("nearlyCovered");
        lacking.forEach((tag, characters) -> {
            if (!characters.isEmpty() && characters.cardinality() <= NEARLY) {
                json.writeStringProperty(tag, text(characters));
            }
        });
        json.writeEndObject();
    }

    /** For each language asked for, the characters that the face lacks; none for one it covers. */
    static void writeLacking(JsonGenerator json, FaceReport report, List<String> languages) {
        json.writeObjectPropertyStart("lacking");
        for (String tag : languages) {
            BitSet needed = Exemplars.of(tag.strip());
            for (int codePoint : report.codePoints()) {
                needed.clear(codePoint);
            }
            json.writeStringProperty(tag.strip(), text(needed));
        }
        json.writeEndObject();
    }

    private static void strings(JsonGenerator json, String name, Collection<String> values) {
        json.writeArrayPropertyStart(name);
        values.forEach(json::writeString);
        json.writeEndArray();
    }

    private static String text(BitSet characters) {
        StringBuilder text = new StringBuilder();
        characters.stream().forEach(text::appendCodePoint);
        return text.toString();
    }
}
