package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

/** Where a license may be used: a row of domains.csv for each case, which can be read without the code. */
class DomainDecisionTest {
    @ParameterizedTest(name = "[{index}] {0} on {3}: {4}")
    @CsvFileSource(resources = "domains.csv", delimiter = '|', maxCharsPerColumn = 200)
    void theHostIsDecidedByTheDomainsOfTheLicense(
            @Nullable String named, Clause subdomains, Clause ownMachines, String host, Verdict verdict) {
        assertThat(decide(patterns(named), subdomains, ownMachines, host)).isEqualTo(verdict);
    }

    /** What was recorded before such wildcards were refused permits nobody now. */
    @Test
    void aRecordedWildcardOverAPublicSuffixPermitsNobody() {
        for (String suffix : List.of("*.co.uk", "*.com", "*.example", "*.github.io", "co.uk", "www.co.uk")) {
            List<DomainPattern> recorded = List.of(DomainPattern.recorded(suffix));
            assertThat(decide(recorded, Clause.GRANTED, Clause.GRANTED, "client.co.uk"))
                    .as(suffix)
                    .isEqualTo(Verdict.REFUSED);
            assertThat(decide(recorded, Clause.GRANTED, Clause.GRANTED, "client.github.io"))
                    .as(suffix)
                    .isEqualTo(Verdict.REFUSED);
        }
    }

    @Test
    void aSubdomainOfADomainBeyondTheNumberIsBeyondItToo() {
        PermittedDomains two = new PermittedDomains(
                false,
                patterns("a.example,b.example,c.example"),
                OptionalInt.of(2),
                Counting.HOST,
                Clause.GRANTED,
                Clause.GRANTED,
                false);
        assertThat(two.verdict(DomainName.parse("shop.b.example"), false)).isEqualTo(Verdict.ALLOWED);
        assertThat(two.verdict(DomainName.parse("c.example"), false)).isEqualTo(Verdict.REFUSED);
        assertThat(two.verdict(DomainName.parse("shop.c.example"), false)).isEqualTo(Verdict.REFUSED);
        assertThat(two.of(DomainName.parse("shop.c.example"), false))
                .extracting(Decision.Reason::point)
                .containsExactly(Decision.Point.DOMAIN_LIMIT);
    }

    private static List<DomainPattern> patterns(@Nullable String named) {
        return named == null || named.isBlank()
                ? List.of()
                : Arrays.stream(named.split(",")).map(DomainPattern::parse).toList();
    }

    private static Verdict decide(List<DomainPattern> domains, Clause subdomains, Clause ownMachines, String host) {
        License license = License.named("l", "License")
                .covers(List.of(new Coverage("f", List.of())))
                .acts(Map.of(Act.SERVE, Clause.GRANTED))
                .domains(new PermittedDomains(
                        false, domains, OptionalInt.empty(), Counting.HOST, subdomains, ownMachines, false))
                .anyFormat(true)
                .build();
        FaceUse use = FaceUse.serving(
                "f",
                Slot.of(400, 100, Slope.UPRIGHT),
                FontFormat.WOFF2,
                false,
                Place.live(DomainName.parse(host)),
                "client",
                LocalDate.of(2030, 5, 10));
        return LicenseDecider.decide(List.of(license), use).verdict();
    }
}
