package app.unciala.server;

import static app.unciala.server.testing.Documents.pdf;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Reading agreements: PDF documents, texts, and what is none. */
class ReadingTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void aPdfProposesTermsWithTheirWordsAndPages() throws IOException {
        byte[] pdf = pdf(
                null,
                List.of("Web font license", "Order number: MT-17"),
                List.of("You may use the fonts on up to 3 domains.", "Subsetting is not permitted."));
        JsonNode reading = read("license.pdf", pdf).json();
        assertThat(reading.get("pages")).hasSize(2);
        assertThat(reading.get("pages").get(1).get("text").asString()).contains("up to 3 domains");
        Map<String, String> proposed = proposals(reading);
        assertThat(proposed)
                .containsEntry("PROOF", "MT-17 page 1")
                .containsEntry("DOMAIN_LIMIT", "3 page 2")
                .containsEntry("CUTTING", "REFUSED page 2");
    }

    @Test
    void whatIsNoReadableAgreementIsRefusedWithItsReason() throws IOException {
        assertThat(problem("locked.pdf", pdf("secret", List.of("Hidden"))))
                .isEqualTo("“locked.pdf” is encrypted; save it without a password.");
        byte[] whole = pdf(null, List.of("Cut off"));
        assertThat(problem("cut.pdf", Arrays.copyOf(whole, 60))).contains("“cut.pdf” is damaged");
        assertThat(problem("scan.pdf", pdf(null, List.of()))).contains("has no text, only pictures");
        assertThat(problem("font.ttf", Samples.font("Wendlow-Regular.ttf"))).contains("neither a PDF nor plain text");
        assertThat(problem("long.txt", "a".repeat(20_000_001).getBytes(StandardCharsets.UTF_8)))
                .contains("is longer than 20 MB");
    }

    @Test
    void textsAreReadInTheirEncodingAndNothingInThemIsRun() {
        Caller caller = SERVER.signIn();
        String text = "Nutzung für „bücher.example“: this website may use the fonts. <script>alert(1)</script>";
        String western = text.replace("„", "").replace("“", "");
        for (byte[] bytes : List.of(
                text.getBytes(StandardCharsets.UTF_8),
                text.getBytes(StandardCharsets.UTF_16),
                western.getBytes(StandardCharsets.ISO_8859_1),
                (western + ".").getBytes(StandardCharsets.ISO_8859_1))) {
            JsonNode reading = read("terms.txt", bytes).json();
            assertThat(reading.get("pages").get(0).get("text").asString()).contains("für", "<script>");
            assertThat(proposals(reading)).containsKey("WEB_USE");
        }
        JsonNode pasted = caller.send("POST", "/api/licenses/reading/text", Map.of("text", "Renaming is prohibited."))
                .json();
        assertThat(proposals(pasted)).containsEntry("RENAMING", "REFUSED ");
        assertThat(caller.send("POST", "/api/licenses/reading/text", Map.of("text", " "))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void theDocumentOfALicenseIsReadAgain() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Penmarrow-Regular.ttf");
        Answer recorded = caller.send("POST", "/api/licenses", Samples.license(family, "tarn.example"));
        String path = "/api/licenses/" + recorded.json().get("id").asString();
        assertThat(caller.get(path + "/reading").status()).isEqualTo(409);
        caller.upload(
                path + "/agreement",
                "file",
                Map.of("terms.txt", "It ends on 2031-05-01.".getBytes(StandardCharsets.UTF_8)),
                Map.of("If-Match", recorded.header("ETag")));
        assertThat(proposals(caller.get(path + "/reading").json())).containsEntry("ENDS", "2031-05-01 ");
    }

    private static Map<String, String> proposals(JsonNode reading) {
        Map<String, String> proposed = new LinkedHashMap<>();
        reading.get("proposals")
                .forEach(one -> proposed.put(
                        one.get("term").asString(),
                        one.get("value").asString() + " "
                                + one.get("quote").get("place").asString()));
        return proposed;
    }

    private static Answer read(String name, byte[] bytes) {
        return SERVER.signIn().upload("/api/licenses/reading", "file", Map.of(name, bytes));
    }

    private static String problem(String name, byte[] bytes) {
        Answer answer = read(name, bytes);
        assertThat(answer.status()).as(name).isEqualTo(422);
        return answer.json().get("detail").asString();
    }
}
