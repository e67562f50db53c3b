package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Asking whether something may be done with a face, over HTTP. */
class DecisionsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String family;
    private static String unlicensed;
    private static String license;
    private static String site;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        family = caller.hold("Penmarrow-Regular.ttf");
        unlicensed = caller.hold("Osier-Regular.ttf");
        site = caller.site("Tarn Bakery", "tarn.example", family, 400);
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        terms.put("covers", List.of(Map.of("familyId", family, "faces", List.of(Samples.face(400, "upright")))));
        terms.put("anyFormat", false);
        terms.put("formats", List.of("woff2"));
        terms.put("begins", "2030-01-01");
        terms.put("ends", "2030-12-31");
        terms.put("converting", "GRANTED");
        terms.put("cutting", "REFUSED");
        terms.put("inlining", "GRANTED");
        license = caller.send("POST", "/api/licenses", terms).json().get("id").asString();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "-",
            value = {
                // weight | format | domain | acts | day | verdict | the points against
                "400 | woff2 | tarn.example     | SERVE          | 2030-06-01 | ALLOWED    | ''",
                "400 | woff2 | TARN.example.    | -              | 2030-06-01 | ALLOWED    | ''",
                "400 | -     | tarn.example     | SERVE, CONVERT | 2030-06-01 | ALLOWED    | ''",
                "400 | woff2 | other.example    | SERVE          | 2030-06-01 | REFUSED    | DOMAIN",
                "400 | woff2 | shop.tarn.example| SERVE          | 2030-06-01 | NOT_STATED | DOMAIN",
                "400 | woff  | tarn.example     | SERVE          | 2030-06-01 | REFUSED    | FORMAT",
                "400 | woff2 | tarn.example     | SERVE          | 2029-12-31 | REFUSED    | BEGINS",
                "400 | woff2 | tarn.example     | SERVE          | 2030-12-31 | ALLOWED    | ''",
                "400 | woff2 | tarn.example     | SERVE          | 2031-01-01 | REFUSED    | ENDS",
                "700 | woff2 | tarn.example     | SERVE          | 2030-06-01 | REFUSED    | COVERAGE",
                "400 | woff2 | tarn.example     | SERVE, CUT     | 2030-06-01 | REFUSED    | CUTTING",
                "400 | woff2 | tarn.example     | SERVE, SUBSET  | 2030-06-01 | REFUSED    | CUTTING",
                "400 | woff2 | tarn.example     | RENAME         | 2030-06-01 | NOT_STATED | RENAMING",
                "400 | woff2 | tarn.example     | INLINE         | 2030-06-01 | ALLOWED    | ''",
                "400 | woff2 | tarn.example     | THIRD_PARTY    | 2030-06-01 | NOT_STATED | THIRD_PARTY",
                "400 | ttf   | other.example    | CONVERT        | 2030-06-01 | ALLOWED    | ''",
                "400 | woff2 | -                | SERVE          | 2030-06-01 | NOT_STATED | DOMAIN",
            })
    void everyPointIsAskedAndTheWorstDecides(
            int weight,
            @Nullable String format,
            @Nullable String domain,
            @Nullable String acts,
            String day,
            String verdict,
            String against) {
        Map<String, Object> question = about(family, weight);
        question.put("format", format);
        question.put("domain", domain);
        question.put("acts", acts == null ? null : Arrays.asList(acts.split(", ")));
        question.put("day", day);
        JsonNode answer = ask(question).json();
        assertThat(answer.get("verdict").asString()).isEqualTo(verdict);
        StringBuilder points = new StringBuilder();
        answer.get("reasons").forEach(reason -> {
            assertThat(reason.get("text").asString()).isNotBlank();
            if (!reason.get("verdict").asString().equals("ALLOWED")) {
                points.append(reason.get("point").asString());
            }
        });
        assertThat(points.toString()).isEqualTo(against);
        boolean covered = weight == 400;
        assertThat(answer.get("licenseId").isNull()).isEqualTo(!covered);
        assertThat(!covered || answer.get("licenseId").asString().equals(license))
                .isTrue();
    }

    @Test
    void aSiteIsAskedAboutOnAllItsDomains() {
        Map<String, Object> question = about(family, 400);
        question.put("siteId", site);
        question.put("day", "2030-06-01");
        assertThat(ask(question).json().get("verdict").asString()).isEqualTo("ALLOWED");
        String other = caller.site("Tarn Cart", "cart.example", family, 400);
        question.put("siteId", other);
        assertThat(ask(question).json().get("verdict").asString()).isEqualTo("REFUSED");
        question.put("domain", "tarn.example");
        assertThat(ask(question).json().get("verdict").asString()).isEqualTo("ALLOWED");
    }

    @Test
    void withoutALicenseItIsRefusedAndAskingRecordsNothing() {
        int before = caller.get("/api/history").json().get("items").size();
        JsonNode answer = ask(about(unlicensed, 400)).json();
        assertThat(answer.get("verdict").asString()).isEqualTo("REFUSED");
        assertThat(answer.get("licenseId").isNull()).isTrue();
        assertThat(answer.get("reasons")).hasSize(1);
        assertThat(caller.get("/api/history").json().get("items")).hasSize(before);
    }

    @Test
    void whatCannotBeAskedIsRefusedWithItsField() {
        assertThat(ask(about("nobody", 400)).status()).isEqualTo(404);
        assertThat(ask(Map.of("familyId", family)).text()).contains("slot");
        for (Map.Entry<String, Object> wrong : Map.<String, Object>of(
                        "format", "zip", "domain", "a b.example", "acts", List.of("SELL"), "day", "soon")
                .entrySet()) {
            Map<String, Object> question = about(family, 400);
            question.put(wrong.getKey(), wrong.getValue());
            Answer refused = ask(question);
            assertThat(refused.status()).as(wrong.toString()).isBetween(400, 422);
            assertThat(refused.text()).contains(wrong.getKey());
        }
        Map<String, Object> nowhere = about(family, 400);
        nowhere.put("siteId", "nowhere");
        assertThat(ask(nowhere).status()).isEqualTo(404);
        assertThat(SERVER.stranger()
                        .send("POST", "/api/decisions", about(family, 400))
                        .status())
                .isIn(401, 403);
    }

    private static Map<String, Object> about(String familyId, int weight) {
        return new LinkedHashMap<>(Map.of("familyId", familyId, "slot", Samples.face(weight, "upright")));
    }

    private static Answer ask(Map<String, Object> question) {
        return caller.send("POST", "/api/decisions", question);
    }
}
