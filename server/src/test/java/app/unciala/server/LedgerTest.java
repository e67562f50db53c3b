package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** The license ledger as CSV, and statements, over HTTP. */
class LedgerTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String family;
    private static String client;
    private static String license;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        family = caller.hold("Penmarrow-Regular.ttf");
        String site = caller.site("Tarn <Bakery>", "tarn.example", family, 400);
        client = caller.get("/api/sites/" + site).json().get("clientId").asString();
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        terms.put("name", "=HYPERLINK(1)");
        terms.put("covers", List.of(Map.of("familyId", family, "faces", List.of(Samples.face(400, "upright")))));
        terms.put("vendor", "Marrow Type");
        terms.put("holderId", client);
        terms.put("domainLimit", 3);
        terms.put("price", 12050);
        terms.put("begins", "2030-01-01");
        terms.put("ends", "2999-12-31");
        terms.put("renews", true);
        terms.put("notes", "two\nlines, \"quoted\"");
        license = caller.send("POST", "/api/licenses", terms).json().get("id").asString();
    }

    @Test
    void aCellIsNoFormulaAndNamesWhatIsCoveredByItsFaces() {
        assertThat(caller.get("/api/licenses.csv").text())
                .startsWith("name,basis,spdx,")
                .contains("'=HYPERLINK(1)", "Penmarrow {400/100/upright}");
    }

    @ParameterizedTest
    @ValueSource(strings = {"csv", "json", "jsonld"})
    void isWrittenAndReadBackToTheSameTerms(String form) {
        String written = caller.get("/api/licenses." + form).text();
        JsonNode before = caller.get("/api/licenses/" + license).json();
        JsonNode again = read(written, false);
        assertThat(again.get("recorded").asInt()).isZero();
        assertThat(again.get("problems").get(0).get("message").asString())
                .isEqualTo("A license “=HYPERLINK(1)” is recorded already.");
        JsonNode report = read(written.replaceAll("'?=HYPERLINK\\(1\\)", "Copy-" + form), false);
        assertThat(report.get("problems")).isEmpty();
        assertThat(report.get("recorded").asInt()).isEqualTo(1);
        JsonNode copy = caller.get("/api/licenses?name=copy-" + form)
                .json()
                .get("items")
                .get(0);
        Map<String, JsonNode> differing = new LinkedHashMap<>();
        copy.get("terms").properties().forEach(term -> {
            if (!term.getValue().equals(before.get("terms").get(term.getKey()))) {
                differing.put(term.getKey(), term.getValue());
            }
        });
        assertThat(differing.keySet()).containsExactly("name");
        caller.delete(
                "/api/licenses/" + copy.get("id").asString(),
                "\"" + copy.get("version").asLong() + "\"");
    }

    @Test
    void oneLicenseIsAPolicyOfItsOwn() {
        JsonNode policy = caller.get("/api/licenses/" + license + "/odrl").json();
        assertThat(policy.get("type").asString()).isEqualTo("Agreement");
        assertThat(policy.get("target").get(0).get("dct:title").asString()).isEqualTo("Penmarrow");
        assertThat(policy.get("permission").toString()).contains("virtualLocation", "tarn.example", "2999-12-31");
        assertThat(caller.get("/api/licenses/nothing/odrl").status()).isEqualTo(404);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"licenses\": [{\"name\": \"A\", \"color\": 1}]} | license 1 | color | There is no term “color”.",
                "[{\"name\": \"A\"}, {\"name\": \"B\", \"ends\": \"soon\"}] | license 2 | ends | “soon” isn’t a value",
                "[7] | license 1 | '' | A license is an object.",
                "[{\"name\": \"A\", \"covers\": [{\"faces\": []}]}] | license 1 | covers | the name of a “family”",
                "[{\"name\": \"A\", \"covers\": [{\"family\": \"Nowhere\"}]}] | license 1 | covers | no family “Nowhere”",
                "{\"license\": []} | '' | licenses | no list “licenses”",
                "{\"licenses\": [ | line 1 | '' | This is no JSON",
            })
    void aProblemOfAJsonFileNamesTheLicenseAndTheTerm(String text, String place, String field, String message) {
        JsonNode report = read(text, false);
        JsonNode problem = report.get("problems").get(0);
        assertThat(problem.get("place").asString()).isEqualTo(place);
        assertThat(problem.get("field").asString()).isEqualTo(field);
        assertThat(problem.get("message").asString()).contains(message);
        assertThat(report.get("recorded").asInt()).isZero();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name,price\\nA,12.345 | 2 | price | “12.345” is not an amount such as 120.50.",
                "name,ends\\nA,\\nB,soon | 3 | ends | “soon” is not a day such as 2030-04-01.",
                "name,colour\\nA,red | 1 | colour | There is no column “colour”",
                "vendor\\nMarrow | 1 | name | The column “name” is missing.",
                "name\\nA,B | 2 | '' | It has 2 cells where the first line has 1.",
                "name,covers\\nA,Nowhere | 2 | covers | There is no family “Nowhere”.",
                "name,covers\\nA,Penmarrow {bold} | 2 | covers | “bold” isn’t a face; write it as 400/100/upright.",
                "name,holder\\nA,Nobody | 2 | holder | There is no client “Nobody”.",
                "name,domains\\nA,*.co.uk | 2 | domains | *.co.uk",
                "name,begins,ends\\nA,2030-02-01,2030-01-01 | 2 | ends | before it begins",
                "name,web_use\\nA,maybe | 2 | web_use | “maybe” is not one of granted, refused, not_stated.",
                "name,basis\\n,trial | 2 | name | between 1 and 300 characters",
                "name,notes\\nA,\"open | 2 | '' | This line is no CSV",
                "name,domain_limit\\nA,0 | 2 | domainLimit | 1 to 100,000",
                "name\\nSame\\nsame | 3 | name | is recorded already",
            })
    void aProblemNamesItsLineAndColumnAndNothingIsRecorded(String text, long line, String column, String message) {
        int before = caller.get("/api/licenses").json().get("items").size();
        JsonNode report = read(text.replace("\\n", "\n"), false);
        assertThat(report.get("problems")).as(report.toString()).isNotNull();
        JsonNode problem = report.get("problems").get(0);
        assertThat(problem.get("place").asString()).isEqualTo("line " + line);
        assertThat(problem.get("field").asString()).isEqualTo(column);
        assertThat(problem.get("message").asString()).contains(message);
        assertThat(report.get("recorded").asInt()).isZero();
        assertThat(caller.get("/api/licenses").json().get("items")).hasSize(before);
    }

    @Test
    void checkingRecordsNothingAndAnotherEncodingIsRefused() {
        int before = caller.get("/api/licenses").json().get("items").size();
        JsonNode report = read("\ufeffname,web_use\r\nOne,granted\r\n\r\nTwo,Not stated\r\n", true);
        assertThat(report.get("entries").asInt()).isEqualTo(2);
        assertThat(report.get("problems")).isEmpty();
        assertThat(caller.get("/api/licenses").json().get("items")).hasSize(before);
        assertThat(caller.upload(
                                "/api/licenses/ledger",
                                "file",
                                Map.of("l.csv", "name\nB\u00fccher".getBytes(StandardCharsets.ISO_8859_1)))
                        .text())
                .contains("not in UTF-8");
        assertThat(read("", true).get("problems").get(0).get("message").asString())
                .contains("empty");
    }

    @Test
    void aStatementNamesFilesLicensesAndWhatIsOpenAndRunsNothing() {
        Answer page = caller.get("/api/clients/" + client + "/statement");
        assertThat(page.text())
                .contains("Fonts of Client of Tarn &lt;Bakery&gt;", "Penmarrow Regular", "tarn.example")
                .doesNotContain("<Bakery>", "<script");
        assertThat(page.header("Content-Security-Policy")).startsWith("sandbox");
        String csv = caller.get("/api/clients/" + client + "/statement.csv").text();
        List<String> lines = csv.lines().toList();
        assertThat(lines.get(0)).startsWith("day,client,site,domain,role,family,face,verdict,license");
        assertThat(lines.get(1)).contains("Tarn <Bakery>,tarn.example,", ",Penmarrow,Regular,", "'=HYPERLINK(1)");
        assertThat(caller.get("/api/clients/nobody/statement").status()).isEqualTo(404);
    }

    private static JsonNode read(String text, boolean check) {
        return caller.upload(
                        "/api/licenses/ledger?check=" + check,
                        "file",
                        Map.of("l.csv", text.getBytes(StandardCharsets.UTF_8)))
                .json();
    }
}
