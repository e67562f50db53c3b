package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.CheckedSites;
import app.unciala.server.testing.Hosts;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The text roles of a site against its pages, as they are and as a pack would make them. */
class RolesOnPagesTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @RegisterExtension
    static final Hosts HOSTS = new Hosts();

    private static Caller caller;
    private static String family;
    private static CheckedSites sites;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        sites = new CheckedSites(caller, HOSTS);
        family = caller.hold("Penmarrow-Regular.ttf");
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        terms.put("converting", "GRANTED");
        caller.send("POST", "/api/licenses", terms);
        caller.send("PUT", "/api/private-hosts/" + HOSTS.at(), Map.of());
    }

    @Test
    void theRolesOfTheSiteAreHeldAgainstItsPagesAndWhatOverridesAThemeIsSaid() {
        String site = caller.site("Lode", "lode.example", family, 400);
        HOSTS.serve("lode.example/r.ttf", Samples.font("Penmarrow-Regular.ttf"));
        String theme = "<style>@font-face{font-family:Penmarrow;src:url(r.ttf)}body{font-family:Penmarrow}"
                + ":root{--text:Georgia,serif}p{font-family:var(--text)}</style>";
        HOSTS.serve("lode.example/", page(theme, "<p>Ore.</p><p>More ore.</p><button>Dig</button>"));
        sites.plan(site, "lode.example", Map.of());
        String check = id(sites.check(site));

        JsonNode role = caller.get("/api/checks/" + check + "/roles")
                .json()
                .get("items")
                .get(0);
        assertThat(role.get("role").asString()).isEqualTo("RUNNING_TEXT");
        assertThat(role.get("selector").asString()).startsWith("body");
        assertThat(role.get("verdict").asString()).isEqualTo("OTHER");
        assertThat(role.get("asked").get("family").asString()).isEqualTo("Penmarrow");
        assertThat(role.get("asked").get("weight").asDouble()).isEqualTo(400);
        JsonNode wrong = role.get("shown")
                .valueStream()
                .filter(shown -> !shown.get("asAsked").asBoolean()
                        && shown.get("family").asString().equals("Georgia"))
                .findFirst()
                .orElseThrow();
        assertThat(wrong.get("texts").asInt()).isEqualTo(2);
        assertThat(wrong.get("winner").get("selector").asString()).isEqualTo("p");
        assertThat(wrong.get("winner").get("via").asString()).isEqualTo("--text");
        String override = wrong.get("override").asString();
        assertThat(override).isEqualTo(":root { --text: \"Penmarrow\", Georgia,serif; }");

        HOSTS.serve(
                "lode.example/",
                page(theme + "<style>" + override + "</style>", "<p>Ore.</p><p>More ore.</p><button>Dig</button>"));
        JsonNode after = caller.get("/api/checks/" + id(sites.check(site)) + "/roles")
                .json()
                .get("items")
                .get(0);
        assertThat(after.get("shown")
                        .valueStream()
                        .filter(shown -> shown.get("family").asString().equals("Georgia")))
                .isEmpty();
        assertThat(caller.get("/api/checks/nothing/roles").status()).isEqualTo(404);

        List<Map<String, Object>> odd = List.of(Map.of(
                "role",
                "RUNNING_TEXT",
                "familyId",
                family,
                "selector",
                "p:nonsense",
                "faces",
                List.of(Samples.face(400, "upright"))));
        assertThat(caller.edit("/api/sites/" + site, "", Map.of("roles", odd)).status())
                .isEqualTo(200);
        JsonNode unknown = sites.check(site);
        assertThat(unknown.get("line").get("state").asString())
                .as("a selector that browsers don't take selects nothing")
                .isEqualTo("DONE");
        assertThat(caller.get("/api/checks/" + id(unknown) + "/roles")
                        .json()
                        .get("items")
                        .get(0)
                        .get("verdict")
                        .asString())
                .isEqualTo("NOT_FOUND");
    }

    @Test
    void aPackIsTriedOnThePagesUntilItIsDeployed() {
        String site = caller.site("Tarn", "tarn.example", family, 400);
        HOSTS.serve(
                "tarn.example/",
                page(
                        "<style>:root{--t:Georgia}li{font:700 20px var(--t)!important}</style>",
                        "<p>Ore.</p><li>More</li>"));
        sites.plan(site, "tarn.example", Map.of());
        assertThat(sites.check(site).get("tried").isNull())
                .as("there is no pack")
                .isTrue();

        String pack = caller.send("POST", "/api/sites/" + site + "/packs", Map.of())
                .json()
                .get("id")
                .asString();
        JsonNode check = sites.check(site);
        JsonNode tried = check.get("tried");
        assertThat(tried.get("packId").asString()).isEqualTo(pack);
        assertThat(tried.get("texts").asInt()).isEqualTo(1);
        JsonNode role = tried.get("roles").get(0);
        assertThat(role.get("verdict").asString())
                .as("the list stays as the theme has it")
                .isEqualTo("OTHER");
        assertThat(role.get("shown").findValuesAsString("asAsked")).containsExactly("true", "false");
        assertThat(role.get("shown").get(1).get("winner").get("selector").asString())
                .isEqualTo("li");
        JsonNode runs =
                caller.get("/api/checks/" + id(check) + "/pages/0").json().get("runs");
        JsonNode after = runs.get(0).get("after").get("given").get(0);
        assertThat(after.get("family").asString()).isEqualTo("Penmarrow");
        assertThat(caller.get("/api/files/" + after.get("sha256").asString()).status())
                .as("the text can be shown in the face of the pack")
                .isEqualTo(200);
        assertThat(runs.get(1).get("after").isNull()).isTrue();
        assertThat(check.get("fonts")).as("nothing of it is on the pages").isEmpty();

        caller.send("PUT", "/api/packs/" + pack + "/placed", Map.of("day", "2030-05-01"));
        assertThat(sites.check(site).get("tried").isNull()).isTrue();
    }

    private static String page(String head, String body) {
        return "<!doctype html><title>A page</title>" + head + body;
    }

    private static String id(JsonNode check) {
        return check.get("line").get("id").asString();
    }
}
