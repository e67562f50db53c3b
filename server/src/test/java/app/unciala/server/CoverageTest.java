package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Families against sites, what stands on a license, page views, and what a change would do, over HTTP. */
class CoverageTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String licensed;
    private static String bare;
    private static String site;
    private static String other;
    private static String license;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        licensed = caller.hold("Penmarrow-Regular.ttf");
        bare = caller.hold("PenmarrowCapitals-Regular.ttf");
        site = caller.site("Tarn Bakery", "tarn.example", licensed, 400);
        other = caller.site("Quay Boats", "quay.example", bare, 400);
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(licensed, "tarn.example"));
        terms.put("converting", "GRANTED");
        terms.put("domainLimit", 2);
        license = caller.send("POST", "/api/licenses", terms).json().get("id").asString();
    }

    @Test
    void everyCrossingIsDecidedAndWhatIsInTroubleComesFirst() {
        JsonNode table = caller.get("/api/coverage").json();
        assertThat(table.get("sites")).hasSize(2);
        assertThat(table.get("items").get(0).get("familyId").asString())
                .as("a site asks for the family without a license")
                .isEqualTo(bare);
        Map<String, String> cells = new HashMap<>();
        table.get("items").forEach(row -> row.get("crossings")
                .forEach(cell -> cells.put(
                        row.get("familyId").asString() + cell.get("siteId").asString(),
                        cell.get("verdict").asString() + " " + cell.get("asked").asBoolean())));
        assertThat(cells)
                .containsEntry(licensed + site, "ALLOWED true")
                .containsEntry(licensed + other, "REFUSED false")
                .containsEntry(bare + site, "REFUSED false")
                .containsEntry(bare + other, "REFUSED true");
        JsonNode size = caller.get("/api/coverage/size").json();
        assertThat(size.get("families").asInt()).isEqualTo(2);
        assertThat(size.get("sites").asInt()).isEqualTo(2);
    }

    @Test
    void itIsReadPartByPartAndNarrowed() {
        JsonNode part = caller.get("/api/coverage?limit=1&siteLimit=1").json();
        assertThat(part.get("items")).hasSize(1);
        assertThat(part.get("items").get(0).get("crossings")).hasSize(1);
        JsonNode next = caller.get("/api/coverage?limit=1&siteLimit=1&cursor="
                        + part.get("next").asString() + "&siteCursor="
                        + part.get("nextSites").asString())
                .json();
        assertThat(next.get("items").get(0).get("familyId"))
                .isNotEqualTo(part.get("items").get(0).get("familyId"));
        assertThat(next.get("next").isNull()).isTrue();
        assertThat(next.get("nextSites").isNull()).isTrue();
        assertThat(caller.get("/api/coverage?name=capit").json().get("items")).hasSize(1);
        assertThat(caller.get("/api/coverage/size?name=%25&used=true")
                        .json()
                        .get("families")
                        .asInt())
                .as("signs of a pattern are no pattern")
                .isEqualTo(2);
        Answer wrong = caller.get("/api/coverage?cursor=next");
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(caller.get("/api/coverage/" + licensed + "/nowhere").status())
                .isEqualTo(404);
        assertThat(caller.get("/api/coverage/nothing/" + site).status()).isEqualTo(404);
    }

    @Test
    void oneCrossingSaysWhyAndWhichDomainsAreLacking() {
        JsonNode refused = caller.get("/api/coverage/" + licensed + "/" + other).json();
        assertThat(refused.get("verdict").asString()).isEqualTo("REFUSED");
        assertThat(refused.get("faces")).isEmpty();
        assertThat(refused.get("lacking").get(0).asString()).isEqualTo("quay.example");
        JsonNode says = refused.get("licenses").get(0);
        assertThat(says.get("licenseId").asString()).isEqualTo(license);
        assertThat(says.get("reasons").get(0).get("text").asString())
                .isEqualTo("quay.example is not among its domains; 1 more may be added");
        JsonNode allowed = caller.get("/api/coverage/" + licensed + "/" + site).json();
        assertThat(allowed.get("faces").get(0).asString()).isEqualTo("Regular");
        assertThat(allowed.get("lacking")).isEmpty();
        assertThat(caller.get("/api/coverage/" + bare + "/" + other).json().get("licenses"))
                .isEmpty();
    }

    @Test
    void whichLicensesWouldAllowItOnceTheyWereExtendedIsSaid() {
        JsonNode domain = caller.get("/api/coverage/" + licensed + "/" + other).json();
        assertThat(domain.get("extensible")).hasSize(1);
        assertThat(domain.get("extensible").get(0).get("family").asBoolean()).isFalse();
        assertThat(domain.get("extensible").get(0).get("domains").get(0).asString())
                .isEqualTo("quay.example");
        JsonNode family = caller.get("/api/coverage/" + bare + "/" + site).json();
        assertThat(family.get("extensible").get(0).get("licenseId").asString()).isEqualTo(license);
        assertThat(family.get("extensible").get(0).get("family").asBoolean()).isTrue();
        assertThat(family.get("extensible").get(0).get("domains")).isEmpty();
        foundry(bare, "Another");
        assertThat(caller.get("/api/coverage/" + bare + "/" + site).json().get("extensible"))
                .as("no vendor extends the license of another")
                .isEmpty();
        foundry(bare, "Marrow Type");
        assertThat(caller.get("/api/coverage/" + licensed + "/" + site).json().get("extensible"))
                .as("it is allowed already")
                .isEmpty();
    }

    private static void foundry(String family, String foundry) {
        String path = "/api/families/" + family;
        String name = caller.get(path).json().get("name").asString();
        assertThat(caller.send(
                                "PUT",
                                path,
                                Map.of("name", name, "foundry", foundry),
                                Map.of("If-Match", caller.get(path).header("ETag")))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void aLicenseSaysWhichHostsStandOnItsDomains() {
        JsonNode standing = caller.get("/api/licenses/" + license + "/standing").json();
        assertThat(standing.get("freePlaces").asInt()).isEqualTo(1);
        JsonNode named = standing.get("named").get(0);
        assertThat(named.get("domain").asString()).isEqualTo("tarn.example");
        assertThat(named.get("hosts").get(0).get("siteName").asString()).isEqualTo("Tarn Bakery");
        assertThat(named.get("hosts").get(0).get("verdict").asString()).isEqualTo("ALLOWED");
        assertThat(standing.get("others")).isEmpty();
        JsonNode recorded = caller.get("/api/licenses/" + license).json();
        assertThat(recorded.get("allows").get(0).asString())
                .isEqualTo("Penmarrow may be served in any format on tarn.example.");
        assertThat(recorded.get("allows").get(1).asString()).isEqualTo("It permits 2 hosts; 1 more may be added.");
    }

    @Test
    void whatAChangeWouldDoIsSaidAndNothingIsSaved() {
        JsonNode before = caller.get("/api/licenses/" + license).json();
        int history = caller.get("/api/history").json().get("items").size();
        List<String> flags = caller.kinds("?site=" + site);
        Map<String, Object> ended = new LinkedHashMap<>(Samples.license(licensed, "tarn.example"));
        ended.put("ends", "2020-01-01");
        JsonNode difference = caller.send("POST", "/api/licenses/" + license + "/preview", ended)
                .json();
        assertThat(difference.get("coming").asInt()).isPositive();
        assertThat(difference.get("comes").get(0).get("kind").asString()).isEqualTo("LICENSE_ENDED");
        assertThat(difference.get("comes").get(0).get("siteName").asString()).isEqualTo("Tarn Bakery");
        JsonNode two = caller.send(
                        "POST",
                        "/api/sites/" + other + "/preview",
                        Map.of(
                                "clientId",
                                        caller.get("/api/sites/" + other)
                                                .json()
                                                .get("clientId")
                                                .asString(),
                                "name", "Quay Boats",
                                "domains", List.of("quay.example"),
                                "roles", List.of()))
                .json();
        List<String> gone = new ArrayList<>();
        two.get("goes").forEach(flag -> gone.add(flag.get("kind").asString()));
        assertThat(gone).contains("NO_LICENSE");
        assertThat(caller.get("/api/licenses/" + license).json()).isEqualTo(before);
        assertThat(caller.get("/api/history").json().get("items")).hasSize(history);
        assertThat(caller.kinds("?site=" + site)).isEqualTo(flags);
        assertThat(caller.send("POST", "/api/licenses/" + license + "/preview", Map.of("name", ""))
                        .status())
                .isEqualTo(422);
    }
}
