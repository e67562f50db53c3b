package app.unciala.cli;

import app.unciala.core.css.TextSetting;
import app.unciala.core.page.AskedRole;
import app.unciala.font.face.Slope;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.json.JsonFactory;

/**
 * Reads a JSON list of text roles: {@code [{"role": …, "selector": …, "family": …, "weight": 400, "slope": "upright"}]}, each
 * with {@code size}, {@code lineHeight}, {@code letterSpacing} and {@code wordSpacing} in CSS where it has them.
 */
final class RolesFile {
    private static final JsonFactory FACTORY = new JsonFactory();
    private static final String FORM =
            "a list such as [{\"role\": \"Headings\", \"selector\": \"h2\", \"family\": \"Name\", \"weight\": 700,"
                    + " \"slope\": \"upright\"}]";

    private RolesFile() {}

    /**
     * The roles in a file.
     *
     * @throws IllegalArgumentException if it is not such a list, with what is wrong and where
     */
    static List<AskedRole> read(Path file) throws IOException {
        String text = Files.readString(file);
        List<AskedRole> roles = new ArrayList<>();
        try (JsonParser json = FACTORY.createParser(ObjectReadContext.empty(), text)) {
            require(json.nextToken() == JsonToken.START_ARRAY, FORM);
            while (json.nextToken() == JsonToken.START_OBJECT) {
                roles.add(role(fields(json)));
            }
            require(json.currentToken() == JsonToken.END_ARRAY, FORM);
        } catch (JacksonException e) {
            throw new IllegalArgumentException("line " + e.getLocation().getLineNr() + ": write " + FORM, e);
        }
        return roles;
    }

    private static Map<String, String> fields(JsonParser json) {
        Map<String, String> fields = new HashMap<>();
        while (json.nextToken() == JsonToken.PROPERTY_NAME) {
            String name = json.currentName();
            JsonToken value = json.nextToken();
            require(value.isScalarValue(), "“" + name + "” has to be a text or a number");
            fields.put(name, json.getString());
        }
        return fields;
    }

    private static AskedRole role(Map<String, String> fields) {
        String weight = fields.getOrDefault("weight", "400");
        require(
                weight.matches("\\d{1,4}(\\.\\d+)?")
                        && Double.parseDouble(weight) >= 1
                        && Double.parseDouble(weight) <= 1000,
                "weight " + weight + ": write 1 to 1000");
        String slope = fields.getOrDefault("slope", "upright");
        AskedRole role = AskedRole.of(
                text(fields, "role"),
                text(fields, "selector"),
                text(fields, "family"),
                Double.parseDouble(weight),
                Arrays.stream(Slope.values())
                        .filter(one -> one.key().equals(slope))
                        .findFirst()
                        .orElseThrow(() -> new IllegalArgumentException(
                                "slope “" + slope + "”: write upright, italic or oblique")));
        return role.with(new TextSetting(
                fields.getOrDefault("size", ""),
                fields.getOrDefault("lineHeight", ""),
                fields.getOrDefault("letterSpacing", ""),
                fields.getOrDefault("wordSpacing", "")));
    }

    private static String text(Map<String, String> fields, String name) {
        String text = fields.getOrDefault(name, "");
        require(!text.isBlank(), "each role needs “" + name + "”");
        return text;
    }

    private static void require(boolean holds, String otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
