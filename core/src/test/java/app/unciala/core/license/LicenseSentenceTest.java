package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.PageViews.Reading;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class LicenseSentenceTest {
    private static final LocalDate TODAY = LocalDate.of(2030, 5, 10);

    @Test
    void saysFirstWhatMayBeServedWhereAndUntilWhen() {
        License license = LicenseBuilder.builder(granted())
                .formats(Set.of(FontFormat.WOFF2))
                .domains(on(List.of("tarn.example", "quay.example"), OptionalInt.empty()))
                .holder(Optional.of(new Holder("c", "Tarn")))
                .period(new Period(Optional.empty(), Optional.of(LocalDate.of(2031, 3, 4)), 30, true))
                .build();
        assertThat(first(license, "Penmarrow"))
                .isEqualTo("Penmarrow may be served as WOFF2 on tarn.example and quay.example, for Tarn, who holds it,"
                        + " until Mar 4, 2031, when it renews by itself.");
        assertThat(first(open("OFL-1.1"), "Wendlow", "Tillet"))
                .isEqualTo("Wendlow and Tillet may be served in any format on any domain.");
    }

    @Test
    void saysWhatMayNotBeAndWhatIsNotStated() {
        assertThat(first(named(Basis.TRIAL).build(), "Skerry"))
                .isEqualTo("Skerry may not be used on web pages, as is presumed for the license type “trial”.");
        assertThat(first(
                        LicenseBuilder.builder(granted())
                                .acts(Map.of(Act.SERVE, Clause.REFUSED))
                                .build(),
                        "Skerry"))
                .isEqualTo("Skerry may not be used on web pages.");
        assertThat(first(named(Basis.BOUGHT).build(), "Marl"))
                .isEqualTo("Whether Marl may be used on web pages is not stated; ask the vendor.");
        assertThat(LicenseSentence.of(granted(), List.of("Marl"), TODAY))
                .containsExactly(
                        "Marl may be served.",
                        "On which domains, is not stated; ask the vendor.",
                        "In which formats, is not stated; ask the vendor.");
        assertThat(LicenseSentence.of(granted(), List.of(), TODAY).get(0)).isEqualTo("It covers no family yet.");
    }

    @Test
    void anEndedLicenseSaysNothingElse() {
        License ended = LicenseBuilder.builder(granted())
                .period(new Period(Optional.empty(), Optional.of(TODAY.minusDays(1)), 30, false))
                .build();
        assertThat(LicenseSentence.of(ended, List.of("Brantle"), TODAY))
                .containsExactly("It ended on May 9, 2030: Brantle may not be used by it any more.");
    }

    @Test
    void namesAFewAndCountsTheRest() {
        List<String> many = IntStream.range(0, 9).mapToObj(i -> "Family " + i).toList();
        assertThat(LicenseSentence.of(open("OFL-1.1"), many, TODAY).get(0))
                .startsWith("Family 0, Family 1, Family 2, and 6 more families may be served");
        License some = LicenseBuilder.builder(granted())
                .covers(List.of(new Coverage("f", List.of(Slot.of(400, 100, Slope.UPRIGHT)))))
                .build();
        assertThat(first(some, "Ostrel")).startsWith("The faces named of Ostrel may be served");
    }

    @Test
    void tellsPlacesPageViewsAndTheOtherActs() {
        License license = LicenseBuilder.builder(granted())
                .acts(Map.of(Act.SERVE, Clause.GRANTED, Act.CONVERT, Clause.GRANTED, Act.RENAME, Clause.REFUSED))
                .domains(on(List.of("tarn.example"), OptionalInt.of(3)))
                .pageViews(
                        Optional.of(new PageViews(50_000, List.of(new Reading("Tarn", YearMonth.of(2030, 4), 61_300)))))
                .build();
        assertThat(LicenseSentence.of(license, List.of("Marl"), TODAY))
                .contains(
                        "It permits 3 hosts; 2 more may be added.",
                        "Up to 50,000 page views a month are permitted; 61,300 were read in April 2030.",
                        "Converting to other formats is granted.",
                        "Renaming is refused.");
        License over = LicenseBuilder.builder(license)
                .domains(on(List.of("tarn.example", "quay.example"), OptionalInt.of(1)))
                .build();
        assertThat(LicenseSentence.of(over, List.of("Marl"), TODAY)).contains("2 hosts are listed where it permits 1.");
        assertThat(first(over, "Marl")).contains(" on tarn.example").doesNotContain("quay.example");
    }

    private static String first(License license, String... families) {
        return LicenseSentence.of(license, List.of(families), TODAY).get(0);
    }

    private static LicenseBuilder named(Basis basis) {
        return License.named("l", "License").basis(basis).covers(List.of(new Coverage("f", List.of())));
    }

    private static License granted() {
        return named(Basis.BOUGHT).acts(Map.of(Act.SERVE, Clause.GRANTED)).build();
    }

    private static License open(String spdx) {
        return named(Basis.OPEN).open(OpenLicense.ofSpdx(spdx)).build();
    }

    private static PermittedDomains on(List<String> domains, OptionalInt places) {
        return new PermittedDomains(
                false,
                domains.stream().map(DomainPattern::parse).toList(),
                places,
                Counting.HOST,
                Clause.NOT_STATED,
                Clause.NOT_STATED,
                false);
    }
}
