package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.CheckedSites;
import app.unciala.server.testing.Hosts;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What a change of one record does to what others say of it. */
class ChangedElsewhereTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @RegisterExtension
    static final Hosts HOSTS = new Hosts();

    private static Caller caller;
    private static CheckedSites sites;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        sites = new CheckedSites(caller, HOSTS);
        caller.send("PUT", "/api/private-hosts/" + HOSTS.at(), Map.of());
    }

    @AfterEach
    void nothingIsLeftToMend() {
        assertThat(caller.send("POST", "/api/flags/comparison", Map.of())
                        .json()
                        .get("mended")
                        .asInt())
                .isZero();
    }

    @Test
    void aClientsNewNameReachesItsSitesAndTheFlagsThatNameIt() {
        String family = caller.holdAs("Penmarrow-Regular.ttf", "Sedge");
        String site = caller.site("Alder", "alder.example", family, 400);
        String other = caller.send("POST", "/api/clients", Map.of("name", "Quince Ltd"))
                .json()
                .get("id")
                .asString();
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "alder.example"));
        terms.put("holderId", other);
        caller.send("POST", "/api/licenses", terms);
        assertThat(reasons(site, "HELD_BY_ANOTHER_CLIENT")).contains("Quince Ltd");

        rename(other, "Medlar Ltd");
        rename(caller.get("/api/sites/" + site).json().get("clientId").asString(), "Bullace Partners");

        assertThat(reasons(site, "HELD_BY_ANOTHER_CLIENT"))
                .contains("Medlar Ltd")
                .doesNotContain("Quince");
        assertThat(found("bullace")).containsExactly("Alder");
        assertThat(found("client of alder")).isEmpty();
    }

    @Test
    void aFontOnPagesFollowsItsFamilyWhenThatIsMerged() {
        byte[] font = Samples.font("Wendlow-Regular.ttf");
        String from = caller.hold("Wendlow-Regular.ttf", font, Map.of("family", "Wendlow"));
        String into = caller.holdAs("Penmarrow-Bold.ttf", "Tansy");
        String site = caller.site("Rook", "rook.example", caller.holdAs("TilletMono-Regular.ttf", "Yarrow"));
        HOSTS.serve(
                "rook.example/part.woff2",
                FontWriter.write(
                        Subsetter.subset(
                                FontReader.read(font).faces().get(0), SubsetPlan.ofText("Nests and other things")),
                        FontFormat.WOFF2));
        page("rook.example", "part.woff2");
        sites.plan(site, "rook.example", Map.of());
        sites.check(site);
        assertThat(caller.kinds("?site=" + site)).contains("FOUND_NOT_ALLOWED");

        caller.send("POST", "/api/families/" + from + "/merge", Map.of("into", into), version("/api/families/" + from));
        String license = caller.send("POST", "/api/licenses", Samples.license(into, "rook.example"))
                .json()
                .get("id")
                .asString();

        assertThat(caller.kinds("?site=" + site))
                .as("a license of the family that the font is a face of by now")
                .doesNotContain("FOUND_NOT_ALLOWED");
        caller.edit("/api/licenses/" + license, "terms", Map.of("webUse", "REFUSED"));
        assertThat(caller.kinds("?site=" + site)).contains("FOUND_NOT_ALLOWED");
    }

    @Test
    void aVersionThatANewerOneTookThePlaceOfIsStillKnownOnPages() {
        String family = caller.hold("Ostrel-Bold.ttf");
        String site = caller.site("Teal", "teal.example", family);
        HOSTS.serve("teal.example/bold.ttf", Samples.font("Ostrel-Bold.ttf"));
        page("teal.example", "bold.ttf");
        sites.plan(site, "teal.example", Map.of());
        JsonNode before = sites.check(site).get("fonts").get(0).get("held");
        assertThat(before.get("how").asString()).isEqualTo("SAME_BYTES");

        caller.hold("Ostrel-Bold-v1.1.ttf", Samples.font("Ostrel-Bold-v1.1.ttf"), Map.of("replaces", true));

        JsonNode held = caller.get(
                        "/api/checks/" + sites.check(site).get("line").get("id").asString())
                .json()
                .get("fonts")
                .get(0)
                .get("held");
        assertThat(held.get("how").asString()).isEqualTo("SUPERSEDED");
        assertThat(held.get("familyId").asString()).isEqualTo(family);
        assertThat(caller.kinds("?site=" + site)).doesNotContain("FOUND_NOT_RECORDED");
    }

    private static void page(String host, String font) {
        HOSTS.serve(
                host + "/",
                ("<!doctype html><html lang=en><style>@font-face { font-family: F; src: url(" + font
                                + ") } body { font-family: F, serif; font-weight: 400 }</style><p>Nests and other things</p>")
                        .getBytes(StandardCharsets.UTF_8));
    }

    private static void rename(String client, String name) {
        assertThat(caller.edit("/api/clients/" + client, "", Map.of("name", name))
                        .status())
                .isEqualTo(200);
    }

    private static Map<String, String> version(String path) {
        return Map.of("If-Match", caller.get(path).header("ETag"));
    }

    private static List<String> found(String words) {
        return caller.get("/api/sites?name=" + words.replace(" ", "%20"))
                .json()
                .get("items")
                .valueStream()
                .map(site -> site.get("name").asString())
                .toList();
    }

    private static String reasons(String site, String kind) {
        return caller.get("/api/flags?site=" + site)
                .json()
                .get("items")
                .valueStream()
                .filter(flag -> flag.get("kind").asString().equals(kind))
                .map(flag -> flag.get("reason").asString())
                .toList()
                .toString();
    }
}
