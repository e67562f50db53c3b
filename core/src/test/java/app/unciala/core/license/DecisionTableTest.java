package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.PageViews.Reading;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

/** What is decided, by a table that can be read without the code: a row of decisions.csv for each case. */
class DecisionTableTest {
    private static final Map<String, Act> ACTS = Map.of(
            "web use", Act.SERVE,
            "serve", Act.SERVE,
            "convert", Act.CONVERT,
            "cut", Act.CUT,
            "rename", Act.RENAME,
            "inline", Act.INLINE,
            "third party", Act.THIRD_PARTY);
    private static final Map<String, Basis> BASES = Map.of(
            "open", Basis.OPEN,
            "personal", Basis.PERSONAL,
            "donation", Basis.DONATION,
            "bought", Basis.BOUGHT,
            "page views", Basis.PAGE_VIEWS,
            "subscription", Basis.SUBSCRIPTION,
            "trial", Basis.TRIAL,
            "desktop", Basis.DESKTOP,
            "client", Basis.CLIENT_SUPPLIED,
            "custom", Basis.CUSTOM);

    @ParameterizedTest(name = "[{index}] {0} → {1}: {2}")
    @CsvFileSource(resources = "decisions.csv", delimiter = '|', maxCharsPerColumn = 400)
    void isDecidedAsTheTableSays(@Nullable String terms, @Nullable String use, Verdict verdict, String against) {
        Decision decision = LicenseDecider.decide(List.of(license(new Entries(terms))), use(new Entries(use)));
        String points = decision.reasons().stream()
                .filter(reason -> reason.verdict() != Verdict.ALLOWED)
                .map(Reason::point)
                .sorted()
                .map(Enum::name)
                .collect(Collectors.joining(" "));
        assertThat(decision.verdict()).isEqualTo(verdict);
        assertThat(points).isEqualTo(against.equals("-") ? "" : against);
    }

    /** Entries such as "web use: granted; places: 2"; each is to be asked for, so that none is misspelled. */
    private static final class Entries {
        private final Map<String, String> entries = new HashMap<>();
        private final Set<String> unread;

        Entries(@Nullable String text) {
            if (text != null && !text.isBlank() && !text.equals("-")) {
                for (String entry : text.split(";")) {
                    String[] parts = entry.split(":", 2);
                    entries.put(parts[0].strip(), parts[1].strip());
                }
            }
            unread = new HashSet<>(entries.keySet());
        }

        Optional<String> get(String name) {
            unread.remove(name);
            return Optional.ofNullable(entries.get(name));
        }

        List<String> list(String name) {
            return get(name).map(text -> List.of(text.split(", "))).orElse(List.of());
        }

        void end() {
            assertThat(unread).as("entries that the test does not know").isEmpty();
        }
    }

    private static License license(Entries says) {
        Map<Act, Clause> acts = new EnumMap<>(Act.class);
        ACTS.forEach((word, act) -> says.get(word).ifPresent(clause -> acts.put(act, clause(clause))));
        List<String> domains = says.list("domains");
        List<String> formats = says.list("formats");
        License license = License.named("l", "License")
                .basis(says.get("basis").map(BASES::get).orElse(Basis.CUSTOM))
                .open(says.get("spdx").map(id -> OpenLicense.ofSpdx(id).orElseThrow()))
                .holder(says.get("holder").map(name -> new Holder(name, name)))
                .covers(List.of(new Coverage(
                        says.get("family").orElse("f"),
                        says.list("faces").stream().map(DecisionTableTest::slot).toList())))
                .acts(acts)
                .domains(new PermittedDomains(
                        domains.equals(List.of("any")),
                        domains.stream()
                                .filter(domain -> !domain.equals("any"))
                                .map(DomainPattern::parse)
                                .toList(),
                        says.get("places")
                                .map(places -> OptionalInt.of(Integer.parseInt(places)))
                                .orElse(OptionalInt.empty()),
                        says.get("counted by").isPresent() ? Counting.REGISTRABLE_DOMAIN : Counting.HOST,
                        says.get("subdomains").map(DecisionTableTest::clause).orElse(Clause.NOT_STATED),
                        says.get("development").map(DecisionTableTest::clause).orElse(Clause.NOT_STATED),
                        says.get("local hosts count").isPresent()))
                .anyFormat(formats.equals(List.of("any")))
                .formats(formats.stream()
                        .filter(format -> !format.equals("any"))
                        .map(DecisionTableTest::format)
                        .collect(Collectors.toSet()))
                .period(new Period(
                        says.get("begins").map(LocalDate::parse),
                        says.get("ends").map(LocalDate::parse),
                        30,
                        says.get("renews").isPresent()))
                .pageViews(says.get("page views")
                        .map(limit -> new PageViews(Long.parseLong(limit), readings(says.list("read")))))
                .build();
        says.end();
        return license;
    }

    private static FaceUse use(Entries says) {
        String host = says.get("on").orElse("client.example");
        String client = says.get("for").orElse("Tarn");
        String format = says.get("format").orElse("woff2");
        FaceUse use = new FaceUse(
                "f",
                slot(says.get("face").orElse("400")),
                says.get("acts")
                        .map(acts ->
                                Arrays.stream(acts.split(", ")).map(ACTS::get).collect(Collectors.toSet()))
                        .orElse(Set.of(Act.SERVE)),
                format.equals("unknown") ? Optional.empty() : Optional.of(format(format)),
                host.equals("nowhere")
                        ? Optional.empty()
                        : Optional.of(new Place(
                                DomainName.parse(host), says.get("staging").isPresent())),
                client.equals("nobody") ? Optional.empty() : Optional.of(client),
                LocalDate.parse(says.get("on day").orElse("2030-05-10")));
        says.end();
        return use;
    }

    private static List<Reading> readings(List<String> read) {
        return read.stream()
                .map(text -> text.split(" "))
                .map(parts -> new Reading(parts[0], YearMonth.parse(parts[1]), Long.parseLong(parts[2])))
                .toList();
    }

    private static Slot slot(String text) {
        return Slot.of(
                Integer.parseInt(text.split(" ")[0]), 100, text.endsWith("italic") ? Slope.ITALIC : Slope.UPRIGHT);
    }

    private static Clause clause(String word) {
        return Clause.valueOf(word.toUpperCase(Locale.ROOT));
    }

    private static FontFormat format(String name) {
        return FontFormat.valueOf(name.toUpperCase(Locale.ROOT));
    }
}
