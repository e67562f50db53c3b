package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Style sheets read over HTTP, against what is held and what a site's licenses allow. */
class ProofTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static final String CSS = """
            @font-face {
              font-family: "Penmarrow";
              src: url("https://cdn.vendor.example/penmarrow.woff2") format("woff2");
              font-display: swap;
            }
            body { font-family: “Penmarow”, serif }
            """;

    private static Caller caller;
    private static String site;
    private static String family;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        family = caller.hold("Penmarrow-Regular.ttf");
        site = caller.site("Tarn Bakery", "www.tarn.example", family, 400);
    }

    @Test
    void saysWhatIsWrongAndWhatTheLicensesSay() {
        Answer answer = caller.send("POST", "/api/sites/" + site + "/proof", Map.of("css", CSS));

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json().get("findings").valueStream().map(ProofTest::said))
                .containsExactly(
                        "2:16 not-allowed", "3:12 third-party", "6:21 typographic-quotes", "6:21 name-mismatch");
        assertThat(answer.json().get("fixed").asString()).contains("body { font-family: \"Penmarrow\", serif }");

        caller.send("POST", "/api/licenses", Samples.license(family, "tarn.example"));
        Answer licensed = caller.send(
                "POST",
                "/api/sites/" + site + "/proof",
                Map.of("css", answer.json().get("fixed").asString(), "url", "https://cdn.vendor.example/site.css"));
        assertThat(licensed.json().get("findings").valueStream().map(ProofTest::said))
                .isEmpty();
    }

    @Test
    void readsAStyleSheetThatBelongsToNoSite() {
        Answer answer = caller.send(
                "POST",
                "/api/proof",
                Map.of("css", "@font-face { font-family: Tern; src: url(tern.woff2); font-display: swap }"));

        assertThat(answer.json().get("findings").valueStream().map(ProofTest::said))
                .containsExactly("1:27 not-held");
    }

    @Test
    void refusesWhatItCannotRead() {
        for (Map<String, ?> body : List.of(
                Map.of("url", "https://tarn.example/"),
                Map.of("css", "x".repeat(3_000_001)),
                Map.of("css", "a{}", "url", "not an address"),
                Map.of("css", "a{}", "url", "site.css"))) {
            assertThat(caller.send("POST", "/api/proof", body).status()).isEqualTo(422);
        }
        assertThat(caller.send("POST", "/api/sites/nowhere/proof", Map.of("css", "a{}"))
                        .status())
                .isEqualTo(404);
        assertThat(SERVER.stranger()
                        .send("POST", "/api/proof", Map.of("css", "a{}"))
                        .status())
                .isEqualTo(403);
    }

    private static String said(tools.jackson.databind.JsonNode finding) {
        return finding.get("line") + ":" + finding.get("column") + " "
                + finding.get("kind").asString();
    }
}
