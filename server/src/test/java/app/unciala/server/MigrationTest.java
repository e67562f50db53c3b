package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.drawing.DrawingDigest;
import app.unciala.server.storage.FileStore;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import tools.jackson.databind.JsonNode;

/** The data of the version before: a site and a license that name a family, and others that name one that is gone. */
class MigrationTest {
    private static final byte[] FONT = Samples.font("Wendlow-Regular.ttf");

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.over(MigrationTest::fill);

    @Test
    void linksFlagsAgreementsAndIntakesAreThereAfterwards() {
        Caller caller = SERVER.stranger();
        assertThat(caller.signIn("old", "an old password")).as("accounts stay").isEqualTo(204);
        assertThat(caller.get("/api/session").json().get("level").asString()).isEqualTo("ADMINISTRATOR");
        JsonNode site = caller.get("/api/sites/s1").json();
        assertThat(site.get("roles"))
                .as("the role of a family that is gone is dropped")
                .hasSize(1);
        assertThat(site.get("familyNames").get("f1").asString()).isEqualTo("Wendlow");
        assertThat(caller.kinds("?site=s1")).containsExactly("DOMAIN_NOT_PERMITTED");
        assertThat(caller.kinds("?license=l1")).contains("LICENSE_ENDING", "DOMAIN_NOT_PERMITTED");
        JsonNode license = caller.get("/api/licenses/l1").json();
        assertThat(license.get("terms").get("covers")).hasSize(1);
        assertThat(license.get("terms").get("basis").asString()).isEqualTo("BOUGHT");
        assertThat(license.get("agreement").get(0).get("fileName").asString()).isEqualTo("eula.txt");
        assertThat(caller.get("/api/sites?name=alt-kunde").json().get("items")).hasSize(1);
        assertThat(caller.get("/api/licenses?name=marrow").json().get("items")).hasSize(1);
        JsonNode intake = caller.get("/api/intakes/i1").json();
        assertThat(intake.get("rows").get(0).get("verdict").asString()).isEqualTo("SAME_BYTES");
        JsonNode pack = caller.get("/api/sites/s1/packs").json().get("items").get(0);
        assertThat(pack.get("changedSince").get(0).asString()).contains("earlier version");
        assertThat(caller.get("/api/history").text()).contains("Long ago");
        assertThat(caller.send("POST", "/api/flags/comparison", Map.of())
                        .json()
                        .get("mended")
                        .asInt())
                .isZero();
    }

    private static void fill(Path data) throws Exception {
        String url = "jdbc:h2:file:" + data.resolve("unciala");
        Flyway.configure()
                .dataSource(url, "unciala", "")
                .locations("classpath:db/migration")
                .target("3")
                .load()
                .migrate();
        String sha256 = FileStore.sha256(FONT);
        Path stored = data.resolve("store").resolve(sha256.substring(0, 2)).resolve(sha256.substring(2));
        Files.createDirectories(stored.getParent());
        Files.write(stored, FONT);
        String drawing = DrawingDigest.of(FONT);
        String ends = LocalDate.now(ZoneId.systemDefault()).plusDays(10).toString();
        try (Connection database = DriverManager.getConnection(url, "unciala", "");
                Statement statement = database.createStatement()) {
            for (String sql : new String[] {
                "insert into account values ('old', 'Old Hand', '{bcrypt}"
                        + new BCryptPasswordEncoder().encode("an old password") + "')",
                "insert into family values ('f1', 0, 'Wendlow', 'wendlow', current_timestamp)",
                "insert into face_file (id, family_id, file_name, sha256, bytes, format, subfamily, weight_min,"
                        + " weight_max, width_min, width_max, slope, drawing, glyphs, code_points, font_version,"
                        + " embedding, added_at, added_by, drawing_version, sample) values ('x1', 'f1', 'w.woff2', '"
                        + sha256 + "', " + FONT.length + ", 'WOFF2', 'Regular', 400, 400, 100, 100, 'UPRIGHT', '"
                        + drawing + "', 200, 190, '1.0', 'INSTALLABLE', current_timestamp, 'old', "
                        + DrawingDigest.VERSION + ", 'Ag')",
                "insert into client values ('c1', 0, 'Alt-Kunde')",
                "insert into site values ('s1', 0, 'c1', 'Old site', '{\"domains\":[\"old.example\"],\"roles\":["
                        + role("f1", "RUNNING_TEXT") + "," + role("gone", "HEADINGS") + "]}')",
                "insert into license values ('l1', 0, 'Old license', '{\"name\":\"Old license\",\"kind\":\"PER_DOMAIN\","
                        + "\"vendor\":\"Marrow Type\",\"covers\":[{\"familyId\":\"f1\",\"faces\":[]},"
                        + "{\"familyId\":\"gone\",\"faces\":[]}],\"webUse\":\"GRANTED\",\"converting\":\"GRANTED\","
                        + "\"domains\":[\"other.example\"],\"anyFormat\":true,\"ends\":\"" + ends
                        + "\",\"noticeDays\":30}', 'eula.txt', '" + sha256 + "', 12)",
                "insert into pack values ('p1', 's1', current_timestamp, 'old', '" + sha256 + "', 10, '[]')",
                "insert into intake values ('i1', 'REVIEW', current_timestamp, 'old', '[\"again.ttf\"]', 5, 5, 1, '')",
                "insert into intake_item (id, intake_id, position, path, bytes, sha256, kind, reason, facts, family,"
                        + " weight_min, weight_max, width_min, width_max, slope, drawing_version) values ('n1', 'i1',"
                        + " 0, 'again.ttf', 5, '" + sha256 + "', 'FONT', '', '{\"format\":\"TTF\",\"subfamily\":\"\","
                        + "\"drawing\":\"" + drawing + "\",\"glyphs\":1,\"codePoints\":1,\"sample\":\"Ag\","
                        + "\"version\":\"\",\"embedding\":\"installable\",\"license\":\"\",\"evidence\":[],\"notes\":[]}',"
                        + " 'Wendlow', 400, 400, 100, 100, 'UPRIGHT', " + DrawingDigest.VERSION + ")",
                "insert into history (at, by_name, subject_type, subject_id, text)"
                        + " values (current_timestamp, 'old', 'site', 's1', 'Long ago')"
            }) {
                statement.executeUpdate(sql);
            }
        }
    }

    private static String role(String family, String name) {
        return "{\"role\":\"" + name + "\",\"familyId\":\"" + family
                + "\",\"generic\":\"SERIF\",\"faces\":[{\"weight\":400,"
                + "\"weightMax\":400,\"width\":100,\"widthMax\":100,\"slope\":\"upright\",\"key\":\"\",\"label\":\"\"}]}";
    }
}
