package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.License.Said;
import app.unciala.core.license.License.Source;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LicenseDeciderTest {
    private static final LocalDate TODAY = LocalDate.of(2030, 5, 10);
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);
    private static final Slot BOLD = Slot.of(700, 100, Slope.UPRIGHT);

    @Test
    void whatEveryClauseGrantsIsAllowedAndSaysWhy() {
        Decision decision = decide(new Draft().license(), "client.example");
        assertThat(decision.verdict()).isEqualTo(Verdict.ALLOWED);
        assertThat(decision.reasons())
                .extracting(r -> r.point().name())
                .contains("COVERAGE", "WEB_USE", "DOMAIN", "FORMAT", "CONVERTING");
    }

    @Test
    void withoutALicenseForTheFaceItIsRefused() {
        License boldOnly =
                new Draft().covers(List.of(new Coverage("f", List.of(BOLD)))).license();
        Decision decision = decide(boldOnly, "client.example");
        assertThat(decision.verdict()).isEqualTo(Verdict.REFUSED);
        assertThat(decision.licenseId()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "client.example, NOT_STATED, NOT_STATED, ALLOWED",
        "www.client.example, NOT_STATED, NOT_STATED, ALLOWED",
        "shop.client.example, NOT_STATED, NOT_STATED, NOT_STATED",
        "shop.client.example, GRANTED, NOT_STATED, ALLOWED",
        "shop.client.example, REFUSED, NOT_STATED, REFUSED",
        "localhost, GRANTED, NOT_STATED, NOT_STATED",
        "site.test, GRANTED, GRANTED, ALLOWED",
        "other.example, GRANTED, GRANTED, REFUSED"
    })
    void domainsAreDecidedInThreeValues(String host, Clause subdomains, Clause development, Verdict verdict) {
        License license =
                new Draft().subdomains(subdomains).development(development).license();
        assertThat(decide(license, host).verdict()).isEqualTo(verdict);
    }

    @Test
    void silenceIsNeitherYesNorNo() {
        assertThat(decide(new Draft().webUse(Clause.NOT_STATED).license(), "client.example")
                        .verdict())
                .isEqualTo(Verdict.NOT_STATED);
        assertThat(decide(new Draft().domains(List.of()).license(), "client.example")
                        .verdict())
                .isEqualTo(Verdict.NOT_STATED);
        assertThat(decide(new Draft().formats(Set.of()).license(), "client.example")
                        .verdict())
                .isEqualTo(Verdict.NOT_STATED);
        License silentAndRefusing = new Draft()
                .webUse(Clause.NOT_STATED)
                .formats(Set.of(FontFormat.TTF))
                .license();
        Decision worst = decide(silentAndRefusing, "client.example");
        assertThat(worst.verdict()).isEqualTo(Verdict.REFUSED);
        assertThat(worst.against().get(0).point()).isEqualTo(Decision.Point.FORMAT);
    }

    @ParameterizedTest
    @CsvSource({
        "2030-05-10, 2030-05-10, ALLOWED",
        "2030-05-11, , REFUSED",
        ", 2030-05-09, REFUSED",
        "2029-01-01, 2031-01-01, ALLOWED"
    })
    void beginAndEndAreTheFirstAndTheLastDay(LocalDate begins, LocalDate ends, Verdict verdict) {
        License license = new Draft().dates(begins, ends).license();
        assertThat(decide(license, "client.example").verdict()).isEqualTo(verdict);
    }

    @Test
    void theBestOfSeveralLicensesDecides() {
        License ended = new Draft().dates(null, LocalDate.of(2030, 1, 1)).license();
        License silent = new Draft().id("silent").webUse(Clause.NOT_STATED).license();
        License good = new Draft().id("good").license();
        assertThat(LicenseDecider.decide(List.of(ended, silent), use("client.example"))
                        .licenseId())
                .contains("silent");
        assertThat(LicenseDecider.decide(List.of(ended, silent, good), use("client.example"))
                        .licenseId())
                .contains("good");
    }

    @Test
    void aTypingErrorInADomainIsPointedOut() {
        License typo = new Draft()
                .domains(List.of(DomainPattern.parse("clinet.example")))
                .license();
        Decision decision = decide(typo, "client.example");
        assertThat(decision.verdict()).isEqualTo(Verdict.REFUSED);
        assertThat(decision.against().get(0).text()).contains("clinet.example").contains("letter or two");
    }

    @Test
    void anActIsSaidByTheTermsElseByTheTextElseByTheBasis() {
        License trial = License.named("l", "License").basis(Basis.TRIAL).build();
        assertThat(trial.said(Act.SERVE)).isEqualTo(new Said(Act.SERVE, Clause.REFUSED, Source.BASIS));
        assertThat(trial.said(Act.CUT)).isEqualTo(new Said(Act.CUT, Clause.NOT_STATED, Source.BASIS));
        License open = LicenseBuilder.builder(trial)
                .open(Optional.of(OpenLicense.OFL_1_1))
                .build();
        assertThat(open.said(Act.SERVE)).isEqualTo(new Said(Act.SERVE, Clause.GRANTED, Source.TEXT));
        License stated = LicenseBuilder.builder(open)
                .acts(Map.of(Act.SERVE, Clause.REFUSED))
                .build();
        assertThat(stated.said(Act.SERVE)).isEqualTo(new Said(Act.SERVE, Clause.REFUSED, Source.TERMS));
    }

    @Test
    void endingSoonCountsFromTheNoticePeriod() {
        License license = new Draft().dates(null, TODAY.plusDays(30)).license();
        assertThat(license.period().endsSoon(TODAY)).isTrue();
        assertThat(license.period().endsSoon(TODAY.minusDays(1))).isFalse();
        assertThat(license.period().endsSoon(TODAY.plusDays(31))).isFalse();
    }

    private static Decision decide(License license, String host) {
        return LicenseDecider.decide(List.of(license), use(host));
    }

    private static FaceUse use(String host) {
        return FaceUse.serving(
                "f", REGULAR, FontFormat.WOFF2, true, Place.live(DomainName.parse(host)), "client", TODAY);
    }

    /** A license that allows the use, to be changed in one point. */
    private static final class Draft {
        private String id = "l";
        private List<Coverage> covers = List.of(new Coverage("f", List.of()));
        private Clause webUse = Clause.GRANTED;
        private Clause subdomains = Clause.NOT_STATED;
        private Clause development = Clause.NOT_STATED;
        private List<DomainPattern> domains = List.of(DomainPattern.parse("client.example"));
        private Set<FontFormat> formats = Set.of(FontFormat.WOFF2);
        private Optional<LocalDate> begins = Optional.empty();
        private Optional<LocalDate> ends = Optional.empty();

        Draft id(String value) {
            id = value;
            return this;
        }

        Draft covers(List<Coverage> value) {
            covers = value;
            return this;
        }

        Draft webUse(Clause value) {
            webUse = value;
            return this;
        }

        Draft subdomains(Clause value) {
            subdomains = value;
            return this;
        }

        Draft development(Clause value) {
            development = value;
            return this;
        }

        Draft domains(List<DomainPattern> value) {
            domains = value;
            return this;
        }

        Draft formats(Set<FontFormat> value) {
            formats = value;
            return this;
        }

        Draft dates(LocalDate from, LocalDate to) {
            begins = Optional.ofNullable(from);
            ends = Optional.ofNullable(to);
            return this;
        }

        License license() {
            return License.named(id, id)
                    .covers(covers)
                    .acts(Map.of(Act.SERVE, webUse, Act.CONVERT, Clause.GRANTED))
                    .domains(new PermittedDomains(
                            false, domains, OptionalInt.empty(), Counting.HOST, subdomains, development, false))
                    .formats(formats)
                    .period(new Period(begins, ends, 30, false))
                    .build();
        }
    }
}
