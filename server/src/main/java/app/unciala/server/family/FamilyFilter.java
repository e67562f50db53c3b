package app.unciala.server.family;

import app.unciala.font.face.Classification;
import app.unciala.server.inventory.Texts;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Which families a list has, and in which order. What is null narrows nothing.
 *
 * @param name words that the name has, whatever their case, spaces and hyphens
 * @param lacking families of which no file is held in this format, such as {@code woff2}
 * @param variable whether a variable file is held
 * @param client the id of a client on whose sites the family is used
 * @param group what the list is gathered by, before its order
 */
public record FamilyFilter(
        @Nullable String name,
        @Nullable Classification classification,
        @Nullable String foundry,
        @Nullable Licensed license,
        @Nullable String lacking,
        @Nullable String language,
        @Nullable Boolean variable,
        @Nullable Used use,
        @Nullable String client,
        @Nullable Group group,
        Order order) {
    /** Whether any license covers the family. */
    public enum Licensed {
        YES,
        NO
    }

    /** Whether any site asks for the family. */
    public enum Used {
        YES,
        NO
    }

    public enum Order {
        NAME,
        NEWEST
    }

    /** By the foundry, or by the clients on whose sites a family is used. */
    public enum Group {
        FOUNDRY,
        CLIENT
    }

    private static final String COVERED = "exists (select 1 from license_family l join license i on i.id = l.license_id"
            + " where l.family_id = f.id and i.deleted_at is null)";
    private static final String ASKING_SITE = "exists (select 1 from site_family l join site s on s.id = l.site_id"
            + " where l.family_id = f.id and s.deleted_at is null";
    private static final String ASKED = ASKING_SITE + ")";
    private static final String FILE =
            "exists (select 1 from face_file x where x.family_id = f.id and x.deleted_at is null";

    /** Conditions of SQL on the family {@code f}, and the values they name. */
    record Conditions(List<String> sql, Map<String, Object> values) {}

    Conditions conditions() {
        List<String> sql = new ArrayList<>(List.of("f.deleted_at is null"));
        Map<String, Object> values = new LinkedHashMap<>();
        String key = name == null ? "" : Texts.familyKey(name);
        if (!key.isEmpty()) {
            sql.add("position(:name in f.name_key) > 0");
            values.put("name", key);
        }
        if (classification != null) {
            sql.add("f.classification = :classification");
            values.put("classification", classification.name());
        }
        if (foundry != null && !foundry.isBlank()) {
            sql.add("f.foundry = :foundry");
            values.put("foundry", foundry);
        }
        if (license != null) {
            sql.add(license == Licensed.YES ? COVERED : "not " + COVERED);
        }
        if (lacking != null && !lacking.isBlank()) {
            sql.add(FILE + ") and not " + FILE + " and lower(x.format) = :lacking)");
            values.put("lacking", lacking.toLowerCase(Locale.ROOT));
        }
        if (language != null && !language.isBlank()) {
            sql.add(FILE + " and position(:language in x.languages) > 0)");
            values.put("language", " " + language.strip() + " ");
        }
        if (variable != null) {
            String has = FILE + " and (x.weight_min < x.weight_max or x.width_min < x.width_max))";
            sql.add(variable ? has : "not " + has);
        }
        if (use != null) {
            sql.add(use == Used.YES ? ASKED : "not " + ASKED);
        }
        if (client != null && !client.isBlank()) {
            sql.add(ASKING_SITE + " and s.client_id = :client)");
            values.put("client", client);
        }
        return new Conditions(sql, values);
    }
}
