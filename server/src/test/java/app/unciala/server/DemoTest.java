package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The demonstration as it starts, and the API's document. */
class DemoTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.withDemo();

    @Test
    void isInTheTroubleItMeansToShow() {
        Caller caller = SERVER.signIn();
        assertThat(caller.get("/api/session").json().get("name").asString()).isEqualTo("demo");
        Set<String> kinds = new TreeSet<>();
        caller.get("/api/flags")
                .json()
                .get("items")
                .forEach(flag -> kinds.add(flag.get("kind").asString()));
        assertThat(kinds)
                .contains(
                        "NO_LICENSE",
                        "LICENSE_ENDED",
                        "LICENSE_ENDING",
                        "DOMAIN_NOT_PERMITTED",
                        "NOT_STATED",
                        "NO_PROOF",
                        "EMBEDDING_DISAGREES",
                        "FACE_NOT_HELD",
                        "WEB_FORMAT_NOT_HELD",
                        "SAME_BYTES",
                        "SLOT_CLASH");
        assertThat(caller.get("/api/sites").json().get("items").size()).isGreaterThanOrEqualTo(6);
        JsonNode intake = caller.get("/api/intakes").json().get("items").get(0);
        assertThat(intake.get("state").asString()).isEqualTo("REVIEW");
        assertThat(caller.get("/api/intakes/" + intake.get("id").asString()).text())
                .contains("DAMAGED");
    }

    /** With {@code -Dunciala.openapi.write=true} the document is written instead; see bin/openapi. */
    @Test
    void theTypesOfTheInterfaceAreMadeFromTheCurrentDocument() throws IOException {
        JsonMapper mapper = JsonMapper.builder().build();
        JsonNode current = new Caller(SERVER.url()).get("/api/openapi.json").json();
        Path kept = Path.of("..", "web", "openapi.json");
        if (Boolean.getBoolean("unciala.openapi.write")) {
            Files.writeString(kept, mapper.writerWithDefaultPrettyPrinter().writeValueAsString(current) + "\n");
        }
        assertThat(mapper.readTree(Files.readString(kept)))
                .as("run bin/openapi after changing the API")
                .isEqualTo(current);
    }

    @Test
    void everyAddressOfTheInterfaceIsAnswered() {
        Caller caller = new Caller(SERVER.url());
        for (String path : new String[] {"/", "/families/abc", "/licenses/new", "/sites", "/flags?group=MISSING"}) {
            assertThat(caller.get(path).text()).as(path).contains("<div id=\"root\">");
        }
    }
}
