package app.unciala.server.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.ledger.LedgerEntry.NamedFaces;
import app.unciala.server.ledger.LedgerEntry.ReadEntry;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseDraft.PricePer;
import app.unciala.server.license.LicenseDraft.Quoted;
import app.unciala.server.license.LicenseDraftBuilder;
import app.unciala.server.listing.ImportReport.FileProblem;
import com.apicatalog.jsonld.JsonLd;
import com.apicatalog.jsonld.JsonLdError;
import com.apicatalog.jsonld.JsonLdOptions.ProcessingPolicy;
import com.apicatalog.jsonld.document.JsonDocument;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What is written in each form is read back to the same licenses; of ODRL the W3C's own context is the judge. */
class LedgerFormsTest {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final List<String> TEXTS = List.of("", "Marl, “Pit” & Co", "=1+1", "two\nlines; {x}", "ſß İ 😀");

    static List<LedgerForm> forms() throws Exception {
        return List.of(new CsvLedger(), new JsonLedger(MAPPER), new OdrlLedger());
    }

    @ParameterizedTest
    @MethodSource("forms")
    void generatedLicensesAreReadBackAsTheyWere(LedgerForm form) {
        Random random = new Random(20261126);
        List<LedgerEntry> entries = IntStream.range(0, 400)
                .mapToObj(number -> license(random, number, !(form instanceof CsvLedger)))
                .toList();
        List<FileProblem> problems = new ArrayList<>();
        List<ReadEntry> read = form.read(form.written(entries), problems);
        assertThat(problems).isEmpty();
        assertThat(read).flatExtracting(ReadEntry::wrong).isEmpty();
        assertThat(read).extracting(ReadEntry::entry).containsExactlyElementsOf(entries);
    }

    /** Every name in a policy is one of the W3C's context or of our prefix, and means the same by our own context. */
    @Test
    void theContextOfTheW3cReadsEveryNameOfAPolicyAsWeDo() throws Exception {
        Random random = new Random(7);
        for (int number = 0; number < 60; number++) {
            String written = new OdrlLedger().written(List.of(license(random, number, true)));
            assertThat(expanded(written, w3cContext())).isEqualTo(expanded(written, ownContext()));
        }
    }

    @Test
    void aNameOfNeitherContextWouldBeNoticed() throws Exception {
        String written = new OdrlLedger().written(List.of(license(new Random(1), 1, true)));
        JsonDocument w3c = w3cContext();
        assertThatThrownBy(() -> expanded(written.replace("\"permission\"", "\"permit\""), w3c))
                .isInstanceOf(JsonLdError.class);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"permission\":[{\"action\":\"print\"}]} | action | “print” isn’t an act of a font license",
                "{\"permission\":[{\"action\":\"transform\",\"duty\":[{\"action\":\"attribute\"}]}]} | duty | A duty",
                "{\"permission\":[{\"action\":\"unciala:serve\",\"constraint\":[{\"leftOperand\":\"spatial\","
                        + "\"operator\":\"eq\",\"rightOperand\":\"DE\"}]}]} | constraint | by “spatial”",
                "{\"permission\":[{\"action\":\"unciala:serve\",\"constraint\":[{\"leftOperand\":\"count\","
                        + "\"operator\":\"lteq\",\"rightOperand\":5}]}]} | constraint | A number of “”",
                "{\"permission\":[{\"action\":\"unciala:serve\",\"constraint\":[{\"leftOperand\":\"dateTime\","
                        + "\"operator\":\"lt\",\"rightOperand\":\"2030-01-01\"}]}]} | constraint | “dateTime” with “lt”",
                "{\"permission\":[{\"action\":\"unciala:serve\",\"constraint\":[{\"leftOperand\":\"dateTime\","
                        + "\"operator\":\"lteq\",\"rightOperand\":\"soon\"}]}]} | ends | “soon” is not a day",
                "{\"permission\":[{\"action\":\"transform\",\"constraint\":[{\"leftOperand\":\"virtualLocation\","
                        + "\"operator\":\"eq\",\"rightOperand\":\"a.example\"}]}]} | constraint | not limited by place",
                "{\"permission\":[{\"action\":\"unciala:serve\"},{\"action\":\"unciala:inline\",\"constraint\":["
                        + "{\"leftOperand\":\"virtualLocation\",\"operator\":\"eq\",\"rightOperand\":\"a.example\"}]}]}"
                        + " | constraint | differ in their constraints",
                "{\"permission\":[{\"action\":\"unciala:serve\",\"constraint\":[{\"leftOperand\":\"dateTime\","
                        + "\"operator\":\"lteq\",\"rightOperand\":\"2030-01-01\"}]},{\"action\":\"transform\","
                        + "\"constraint\":[{\"leftOperand\":\"dateTime\",\"operator\":\"lteq\","
                        + "\"rightOperand\":\"2031-01-01\"}]}]} | constraint | several limits by “dateTime”",
                "{\"permission\":[{\"action\":\"unciala:serve\",\"constraint\":[{\"leftOperand\":"
                        + "\"virtualLocation\",\"operator\":\"eq\",\"rightOperand\":\"a.example\"},{\"leftOperand\":"
                        + "\"virtualLocation\",\"operator\":\"eq\",\"rightOperand\":\"b.example\"}]}]}"
                        + " | constraint | several limits by “virtualLocation”",
                "{\"prohibition\":[{\"action\":\"unciala:serve\",\"constraint\":[{\"leftOperand\":\"dateTime\","
                        + "\"operator\":\"gteq\",\"rightOperand\":\"2030-01-01\"}]}]} | constraint | A prohibition",
                "{\"obligation\":[{\"action\":\"attribute\"}]} | obligation | other than to pay",
                "{\"permission\":[{\"action\":\"transfer\",\"target\":\"urn:a\"},{\"action\":\"transform\","
                        + "\"target\":\"urn:b\"}]} | target | differ in what they are about",
                "{\"permission\":[{\"action\":\"transform\",\"assignee\":\"urn:a\"},{\"action\":\"transfer\"}]}"
                        + " | assignee | differ in whom they are for",
                "{\"unciala:basis\":\"gift\"} | basis | “gift” is not one of open, personal",
            })
    void whatAPolicySaysBeyondAFontLicenseIsAProblemAndNotLeftOut(String policy, String field, String message)
            throws Exception {
        String context = "\"@context\":[\"" + Odrl.CONTEXT + "\",{\"unciala\":\"" + Odrl.OURS
                + "\",\"spatial\":\"odrl:spatial\",\"print\":\"odrl:print\",\"attribute\":\"odrl:attribute\"}]";
        List<FileProblem> problems = new ArrayList<>();
        List<ReadEntry> read = new OdrlLedger()
                .read("{" + context + ",\"type\":\"Offer\",\"dct:title\":\"A\"," + policy.substring(1), problems);
        assertThat(problems).isEmpty();
        assertThat(read).singleElement().satisfies(one -> {
            assertThat(one.wrong()).as(policy).isNotEmpty();
            assertThat(one.wrong().get(0).field()).isEqualTo(field);
            assertThat(one.wrong().get(0).message()).contains(message);
        });
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"assignee\":\"urn:a\",\"permission\":[{\"action\":\"transform\"}] | urn:a",
                "\"permission\":[{\"action\":\"transform\",\"assignee\":\"urn:b\"}] | urn:b",
                "\"permission\":[{\"action\":\"transform\"}] | ''"
            })
    void aPolicyIsForWhomItOrAllItsRulesSay(String said, String holder) throws Exception {
        List<ReadEntry> read = new OdrlLedger()
                .read("{\"@context\":\"" + Odrl.CONTEXT + "\",\"type\":\"Agreement\"," + said + "}", new ArrayList<>());
        assertThat(read).singleElement().satisfies(one -> {
            assertThat(one.wrong()).isEmpty();
            assertThat(one.entry().holder()).isEqualTo(holder);
        });
    }

    @Test
    void thePermissionThatIsNotToPublishKeepsItsLastDay() throws Exception {
        String policy = "{\"@context\":\"" + Odrl.CONTEXT + "\",\"type\":\"Offer\",\"dct:title\":\"A\",\"permission\":"
                + "[{\"action\":\"transform\",\"constraint\":[{\"leftOperand\":\"dateTime\",\"operator\":\"lteq\","
                + "\"rightOperand\":\"2030-01-01\"}]}]}";
        LicenseDraft terms =
                new OdrlLedger().read(policy, new ArrayList<>()).get(0).entry().terms();
        assertThat(terms.ends()).isEqualTo(LocalDate.of(2030, 1, 1));
        assertThat(terms.anyDomain()).as("nothing is said of publishing").isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"@context\":\"https://elsewhere.example/c\",\"type\":\"Set\"} | nothing is fetched",
                "{\"@context\":\"http://www.w3.org/ns/odrl.jsonld\",\"type\":\"Party\"} | no ODRL policy",
                "{\"@context\": | no JSON",
            })
    void aFileThatIsNoPolicyIsRefusedWithItsReason(String text, String reason) throws Exception {
        List<FileProblem> problems = new ArrayList<>();
        assertThat(new OdrlLedger().read(text, problems)).isEmpty();
        assertThat(problems)
                .singleElement()
                .extracting(FileProblem::message)
                .asString()
                .contains(reason);
    }

    /** Each term is defined by the next, through more steps than the library for JSON-LD has room for. */
    @Test
    void aLongChainOfTermsIsRefused() throws Exception {
        String terms = IntStream.range(0, 3_000)
                .mapToObj(i -> "\"t" + i + "\":\"t" + (i + 1) + ":x\"")
                .collect(Collectors.joining(","));
        List<FileProblem> problems = new ArrayList<>();
        assertThat(new OdrlLedger().read("{\"@context\":{" + terms + "},\"t0:a\":1}", problems))
                .isEmpty();
        assertThat(problems)
                .singleElement()
                .extracting(FileProblem::message)
                .asString()
                .contains("too many steps");
    }

    /** Whatever stands in a file, it is read or said to be wrong; no other failure. */
    @ParameterizedTest
    @MethodSource("forms")
    void damagedFilesAreProblemsAndNoFailures(LedgerForm form) {
        Random random = new Random(3);
        for (int round = 0; round < 400; round++) {
            StringBuilder text = new StringBuilder(form.written(List.of(license(random, round, true))));
            for (int damage = random.nextInt(4); damage >= 0; damage--) {
                int at = random.nextInt(text.length());
                int length = Math.min(text.length() - at, 1 + random.nextInt(12));
                String instead =
                        List.of("", "[]", "{", "null", "7", "\"x\"", ",").get(random.nextInt(7));
                text.replace(at, at + length, instead);
            }
            assertThatCode(() -> form.read(text.toString(), new ArrayList<>()))
                    .as(text.toString())
                    .doesNotThrowAnyException();
        }
        String deep = "[".repeat(100_000);
        assertThatCode(() -> form.read(deep, new ArrayList<>())).doesNotThrowAnyException();
    }

    private static JsonNode expanded(String text, JsonDocument context) throws JsonLdError {
        return MAPPER.readTree(JsonLd.expand(JsonDocument.of(new StringReader(text)))
                .loader((url, options) -> context)
                .undefinedTermsPolicy(ProcessingPolicy.Fail)
                .get()
                .toString());
    }

    private static JsonDocument w3cContext() throws IOException, JsonLdError {
        return document("/document/odrl.jsonld");
    }

    private static JsonDocument ownContext() throws IOException, JsonLdError {
        return document("/app/unciala/server/ledger/odrl-context.json");
    }

    private static JsonDocument document(String path) throws IOException, JsonLdError {
        try (InputStream in = LedgerFormsTest.class.getResourceAsStream(path)) {
            return JsonDocument.of(in);
        }
    }

    /** A license of any terms that can be recorded; {@code quoted} when the form has room for quotes. */
    private static LedgerEntry license(Random random, int number, boolean quoted) {
        boolean priced = random.nextBoolean();
        LicenseDraft terms = LicenseDraftBuilder.builder()
                .name("License " + number + " of “" + random.nextInt(99) + "”")
                .basis(oneOf(random, Basis.values()))
                .spdx(random.nextBoolean() ? "OFL-1.1" : "")
                .vendor(text(random))
                .webUse(oneOf(random, Clause.values()))
                .converting(oneOf(random, Clause.values()))
                .cutting(oneOf(random, Clause.values()))
                .renaming(oneOf(random, Clause.values()))
                .inlining(oneOf(random, Clause.values()))
                .thirdParty(oneOf(random, Clause.values()))
                .transfer(oneOf(random, Clause.values()))
                .subdomains(oneOf(random, Clause.values()))
                .development(oneOf(random, Clause.values()))
                .developmentCounts(random.nextBoolean())
                .anyDomain(random.nextBoolean())
                .domains(some(random, List.of("tarn.example", "*.tarn.example", "xn--fa-hia.example")))
                .domainLimit(random.nextBoolean() ? random.nextInt(9) + 1 : null)
                .counting(oneOf(random, Counting.values()))
                .anyFormat(random.nextBoolean())
                .formats(some(random, List.of("woff2", "woff", "ttf", "otf", "eot", "svg")))
                .pageViewLimit(random.nextBoolean() ? (long) random.nextInt(1_000_000) + 1 : null)
                .begins(day(random))
                .ends(day(random))
                .renews(random.nextBoolean())
                .noticeDays(random.nextInt(99))
                .price(priced ? random.nextLong(10_000_000) + 1 : 0)
                .currency(oneOf(random, "EUR", "USD"))
                .pricePer(oneOf(random, PricePer.values()))
                .nextPayment(day(random))
                .proof(text(random))
                .confirmedBy(text(random))
                .confirmedOn(day(random))
                .quotes(
                        quoted && random.nextBoolean()
                                ? Map.of(oneOf(random, Point.values()), new Quoted("“They” may, §" + number, "page 3"))
                                : Map.of())
                .notes(text(random))
                .build();
        List<NamedFaces> covers = new ArrayList<>();
        for (int family = random.nextInt(3); family > 0; family--) {
            covers.add(new NamedFaces("Family " + family + " " + number, faces(random)));
        }
        return new LedgerEntry(terms, text(random), covers, List.of());
    }

    private static List<SlotView> faces(Random random) {
        return some(
                random,
                List.of(
                        new SlotView(400, 400, 100, 100, "upright", "", ""),
                        new SlotView(100, 900, 75, 125, "italic", "", ""),
                        new SlotView(362.5, 362.5, 87.5, 87.5, "oblique", "", "")));
    }

    private static LocalDate day(Random random) {
        return random.nextBoolean() ? LocalDate.of(2026, 1, 1).plusDays(random.nextInt(4000)) : null;
    }

    private static String text(Random random) {
        return TEXTS.get(random.nextInt(TEXTS.size()));
    }

    private static <T> List<T> some(Random random, List<T> all) {
        return all.stream().filter(one -> random.nextInt(3) == 0).toList();
    }

    @SafeVarargs
    private static <T> T oneOf(Random random, T... all) {
        return all[random.nextInt(all.length)];
    }
}
