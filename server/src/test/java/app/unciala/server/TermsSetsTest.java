package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Sets of terms that licenses start from, over HTTP. */
class TermsSetsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void aSetKeepsTheTermsAndNothingOfOnePurchaseAndALicenseKeepsItsCopy() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Penmarrow-Regular.ttf");
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        terms.put("name", "Our usual web terms");
        terms.put("ends", "2999-01-01");
        terms.put("domainLimit", 2);
        Answer made = caller.send("POST", "/api/terms", terms);
        assertThat(made.status()).isEqualTo(201);
        JsonNode set = made.json();
        assertThat(set.get("terms").get("covers")).isEmpty();
        assertThat(set.get("terms").get("ends").isNull()).isTrue();
        assertThat(set.get("terms").get("proof").asString()).isEmpty();
        assertThat(set.get("terms").get("domainLimit").asInt()).isEqualTo(2);
        assertThat(set.get("allows").get(0).asString()).startsWith("A family may be served in any format");
        assertThat(set.get("terms").get("domains")).isEmpty();
        String path = "/api/terms/" + set.get("id").asString();

        Map<String, Object> copy = new LinkedHashMap<>(terms);
        copy.put("name", "Bought on these terms");
        String license =
                caller.send("POST", "/api/licenses", copy).json().get("id").asString();
        terms.put("webUse", "REFUSED");
        assertThat(caller.send("PUT", path, terms).status())
                .as("without a version")
                .isEqualTo(428);
        String tag = caller.get(path).header("ETag");
        assertThat(caller.send("PUT", path, terms, Map.of("If-Match", tag)).status())
                .isEqualTo(200);
        assertThat(caller.send("PUT", path, terms, Map.of("If-Match", tag)).status())
                .as("changed by somebody else since")
                .isEqualTo(412);
        assertThat(caller.get("/api/licenses/" + license)
                        .json()
                        .get("terms")
                        .get("webUse")
                        .asString())
                .as("a license keeps its own copy")
                .isEqualTo("GRANTED");
    }

    @Test
    void aSetIsRefusedLikeALicenseAndDeletedWithTheWayBack() {
        Caller caller = SERVER.signIn();
        assertThat(caller.send("POST", "/api/terms", Map.of("name", "")).status())
                .isEqualTo(422);
        Answer unknown = caller.send("POST", "/api/terms", Map.of("name", "A", "formats", List.of("gif")));
        assertThat(unknown.json().get("detail").asString()).contains("“gif” isn’t a font format");
        String id = caller.send("POST", "/api/terms", Map.of("name", "Short lived"))
                .json()
                .get("id")
                .asString();
        String path = "/api/terms/" + id;
        JsonNode gone = caller.delete(path, caller.get(path).header("ETag")).json();
        assertThat(caller.get(path).status()).isEqualTo(404);
        assertThat(caller.send("POST", "/api/history/" + gone.get("historyId").asString() + "/undo", Map.of())
                        .status())
                .isEqualTo(204);
        assertThat(caller.get(path).status()).isEqualTo(200);
        assertThat(caller.get("/api/terms").text()).contains("Short lived");
    }
}
