package app.unciala.server.inventory;

import java.sql.Connection;
import java.sql.Date;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * After version 4: reads out of the JSON of earlier versions what is looked up by key since, and drops references to
 * families that no longer exist, which earlier versions let happen.
 */
@Component
class LinksMigration implements JavaMigration {
    private static final int DEFAULT_NOTICE_DAYS = 30;
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    @Override
    public MigrationVersion getVersion() {
        return MigrationVersion.fromVersion("5");
    }

    @Override
    public String getDescription() {
        return "links from json";
    }

    @Override
    public Integer getChecksum() {
        return 1;
    }

    @Override
    public boolean canExecuteInTransaction() {
        return true;
    }

    @Override
    public void migrate(Context context) throws SQLException {
        Connection database = context.getConnection();
        Set<String> families = new LinkedHashSet<>();
        try (Statement statement = database.createStatement();
                ResultSet rows = statement.executeQuery("select id from family")) {
            while (rows.next()) {
                families.add(rows.getString(1));
            }
        }
        sites(database, families);
        licenses(database, families);
        items(database);
    }

    private static void sites(Connection database, Set<String> families) throws SQLException {
        for (String[] site : rows(
                database,
                "select s.id, s.details, s.name || ' ' || c.name from site s join client c on c.id = s.client_id")) {
            ObjectNode details = (ObjectNode) MAPPER.readTree(site[1]);
            Set<String> asked = keepKnown(details, "roles", families);
            List<String> words = new ArrayList<>(List.of(site[2]));
            details.path("domains").forEach(domain -> words.add(domain.asString()));
            try (PreparedStatement update = database.prepareStatement(
                    "update site set details = ? format json, search_text = ? where id = ?")) {
                update.setString(1, MAPPER.writeValueAsString(details));
                update.setString(2, String.join(" ", words).toLowerCase(Locale.ROOT));
                update.setString(3, site[0]);
                update.executeUpdate();
            }
            link(database, "site_family", site[0], asked);
        }
    }

    private static void licenses(Connection database, Set<String> families) throws SQLException {
        for (String[] license : rows(database, "select id, terms, name from license")) {
            ObjectNode terms = (ObjectNode) MAPPER.readTree(license[1]);
            Set<String> covered = keepKnown(terms, "covers", families);
            LocalDate begins = day(terms.path("begins"));
            LocalDate ends = day(terms.path("ends"));
            int notice = terms.path("noticeDays").asInt(DEFAULT_NOTICE_DAYS);
            List<String> words =
                    new ArrayList<>(List.of(license[2], terms.path("vendor").asString("")));
            terms.path("domains").forEach(domain -> words.add(domain.asString()));
            try (PreparedStatement update = database.prepareStatement("update license set terms = ? format json,"
                    + " begins = ?, ends = ?, notice_from = ?, search_text = ?,"
                    + " ends_or_never = coalesce(?, date '9999-12-31') where id = ?")) {
                update.setString(1, MAPPER.writeValueAsString(terms));
                update.setDate(2, begins == null ? null : Date.valueOf(begins));
                update.setDate(3, ends == null ? null : Date.valueOf(ends));
                update.setDate(4, ends == null ? null : Date.valueOf(ends.minusDays(notice)));
                update.setString(5, String.join(" ", words).toLowerCase(Locale.ROOT));
                update.setDate(6, ends == null ? null : Date.valueOf(ends));
                update.setString(7, license[0]);
                update.executeUpdate();
            }
            link(database, "license_family", license[0], covered);
        }
    }

    private static void items(Connection database) throws SQLException {
        for (String[] item : rows(database, "select id, facts, family, kind from intake_item")) {
            JsonNode facts = MAPPER.readTree(item[1]);
            boolean font = item[3].equals("FONT");
            try (PreparedStatement update = database.prepareStatement(
                    "update intake_item set drawing = ?, format = ?, family_key = ? where id = ?")) {
                update.setString(1, font ? facts.path("drawing").asString("") : "");
                update.setString(2, font ? facts.path("format").asString("").toLowerCase(Locale.ROOT) : "");
                update.setString(3, Texts.familyKey(item[2]));
                update.setString(4, item[0]);
                update.executeUpdate();
            }
        }
        try (Statement statement = database.createStatement()) {
            statement.executeUpdate("update intake_item set goes_in = coalesce(included, true) where kind = 'FONT'");
            statement.executeUpdate(
                    "update intake set closed_at = created_at where state in ('ACCEPTED', 'DISCARDED')");
        }
    }

    /** Drops the parts of a list that name unknown families, and gives the ids of the known ones. */
    private static Set<String> keepKnown(ObjectNode record, String list, Set<String> families) {
        Set<String> known = new LinkedHashSet<>();
        ArrayNode kept = MAPPER.createArrayNode();
        record.path(list).forEach(part -> {
            String family = part.path("familyId").asString("");
            if (families.contains(family)) {
                known.add(family);
                kept.add(part);
            }
        });
        record.set(list, kept);
        return known;
    }

    private static @Nullable LocalDate day(JsonNode node) {
        return node.isString() ? LocalDate.parse(node.asString()) : null;
    }

    private static void link(Connection database, String table, String id, Set<String> families) throws SQLException {
        for (String family : families) {
            try (PreparedStatement insert = database.prepareStatement("insert into " + table + " values (?, ?)")) {
                insert.setString(1, id);
                insert.setString(2, family);
                insert.executeUpdate();
            }
        }
    }

    private static List<String[]> rows(Connection database, String query) throws SQLException {
        List<String[]> all = new ArrayList<>();
        try (Statement statement = database.createStatement();
                ResultSet rows = statement.executeQuery(query)) {
            int columns = rows.getMetaData().getColumnCount();
            while (rows.next()) {
                String[] row = new String[columns];
                for (int i = 0; i < columns; i++) {
                    row[i] = rows.getString(i + 1);
                }
                all.add(row);
            }
        }
        return all;
    }
}
