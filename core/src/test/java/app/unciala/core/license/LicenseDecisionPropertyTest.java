package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.PageViews.Reading;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What holds of every decision, whatever a license says: over generated licenses and uses. */
class LicenseDecisionPropertyTest {
    private static final int CASES = 4_000;
    private static final LocalDate DAY = LocalDate.of(2030, 5, 10);
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);
    private static final Slot BOLD = Slot.of(700, 100, Slope.UPRIGHT);
    private static final List<String> HOSTS = List.of(
            "client.example", "www.client.example", "shop.client.example", "other.example", "localhost", "a.b.test");

    private static final List<Holder> HOLDERS = List.of(new Holder("a", "Tarn"), new Holder("b", "Quay"));

    private final Random random = new Random(20301);

    @Test
    void isAsBadAsItsWorstPoint() {
        for (int i = 0; i < CASES; i++) {
            Decision decision = LicenseDecider.decide(List.of(license("l")), use());
            Verdict worst = decision.reasons().stream()
                    .map(Reason::verdict)
                    .max(Verdict::compareTo)
                    .orElseThrow();
            assertThat(decision.verdict()).isEqualTo(worst);
            assertThat(decision.against()).allMatch(reason -> reason.verdict() != Verdict.ALLOWED);
            assertThat(decision.against().isEmpty()).isEqualTo(decision.verdict() == Verdict.ALLOWED);
            assertThat(decision.reasons()).allMatch(reason -> !reason.text().isBlank());
        }
    }

    @Test
    void isNeverAllowedWhileAPointIsSilent() {
        for (int i = 0; i < CASES; i++) {
            License license = license("l");
            FaceUse use = use();
            Decision decision = LicenseDecider.decide(List.of(license), use);
            if (decision.verdict() == Verdict.ALLOWED) {
                assertThat(use.acts()).allMatch(act -> license.clause(act) == Clause.GRANTED);
                if (use.acts().stream().anyMatch(Act::publishes)) {
                    assertThat(license.isForAnyFormat()
                                    || use.format()
                                            .map(license.formats()::contains)
                                            .orElse(true))
                            .isTrue();
                    assertThat(license.where().any() || use.place().isPresent()).isTrue();
                }
                assertThat(license.endedBy(use.day()) || license.notBegunOn(use.day()))
                        .isFalse();
                assertThat(license.covers()).anyMatch(covered -> covered.covers(use.familyId(), use.slot()));
            }
        }
    }

    @Test
    void isNotMadeWorseByAFurtherLicenseNorChangedByTheirOrder() {
        for (int i = 0; i < CASES / 4; i++) {
            FaceUse use = use();
            List<License> licenses = new ArrayList<>();
            Verdict before = Verdict.REFUSED;
            for (int n = 0; n < 4; n++) {
                licenses.add(license("l" + n));
                Verdict now = LicenseDecider.decide(licenses, use).verdict();
                assertThat(now).isLessThanOrEqualTo(before);
                before = now;
            }
            Decision decision = LicenseDecider.decide(licenses, use);
            Collections.shuffle(licenses, random);
            assertThat(LicenseDecider.decide(licenses, use)).isEqualTo(decision);
        }
    }

    @Test
    void isNotMadeWorseByGrantingWhatWasSilentNorBetterByRefusing() {
        for (int i = 0; i < CASES; i++) {
            License silent = with(license("l"), Clause.NOT_STATED);
            FaceUse use = use();
            Verdict unsaid = LicenseDecider.decide(List.of(silent), use).verdict();
            Verdict granted = LicenseDecider.decide(List.of(with(silent, Clause.GRANTED)), use)
                    .verdict();
            Verdict refused = LicenseDecider.decide(List.of(with(silent, Clause.REFUSED)), use)
                    .verdict();
            assertThat(granted).isLessThanOrEqualTo(unsaid);
            assertThat(refused).isGreaterThanOrEqualTo(unsaid);
        }
    }

    /** A table decides on the place apart from the rest; both together are the whole decision. */
    @Test
    void isWhatIsSaidOfThePlaceAndOfTheRest() {
        for (int i = 0; i < CASES; i++) {
            License license = license("l");
            FaceUse use = use();
            if (use.place().isPresent()
                    && use.clientId().isPresent()
                    && use.acts().stream().anyMatch(Act::publishes)) {
                Verdict there = LicenseQuestions.there(
                        license, use.place().get(), use.clientId().get());
                assertThat(LicenseQuestions.anywhere(license, use).and(there))
                        .isEqualTo(LicenseDecider.decide(license, use).verdict());
            }
        }
    }

    @Test
    void ofMoreActsIsNeverBetter() {
        for (int i = 0; i < CASES; i++) {
            License license = license("l");
            FaceUse use = use();
            Set<Act> more = EnumSet.copyOf(use.acts());
            more.add(pick(List.of(Act.values())));
            FaceUse further =
                    new FaceUse(use.familyId(), use.slot(), more, use.format(), use.place(), use.clientId(), use.day());
            assertThat(LicenseDecider.decide(List.of(license), further).verdict())
                    .isGreaterThanOrEqualTo(
                            LicenseDecider.decide(List.of(license), use).verdict());
        }
    }

    @Test
    void changesOnlyOnTheDaysOnWhichTheLicenseSaysSo() {
        for (int i = 0; i < CASES / 10; i++) {
            License license = license("l");
            for (LocalDate day = DAY.minusDays(20); day.isBefore(DAY.plusDays(20)); day = day.plusDays(1)) {
                boolean differs = license.endedBy(day) != license.endedBy(day.plusDays(1))
                        || license.notBegunOn(day) != license.notBegunOn(day.plusDays(1))
                        || license.period().endsSoon(day) != license.period().endsSoon(day.plusDays(1));
                assertThat(license.period().changesBetween(day, day.plusDays(1)) || !differs)
                        .as(license + " on " + day)
                        .isTrue();
            }
        }
    }

    @Test
    void ofConvertingIsThatOfTheBestLicenseInForce() {
        for (int i = 0; i < CASES / 4; i++) {
            List<License> licenses = List.of(license("a"), license("b"), license("c"));
            Reason reason = LicenseQuestions.converting(licenses, "f", REGULAR, DAY);
            Optional<Verdict> best = licenses.stream()
                    .filter(license -> !license.endedBy(DAY) && !license.notBegunOn(DAY))
                    .filter(license -> license.covers().stream().anyMatch(covered -> covered.covers("f", REGULAR)))
                    .map(license -> license.clause(Act.CONVERT).verdict())
                    .min(Verdict::compareTo);
            assertThat(reason.verdict()).isEqualTo(best.orElse(Verdict.NOT_STATED));
            assertThat(reason.point()).isEqualTo(Point.CONVERTING);
        }
    }

    @ParameterizedTest
    @EnumSource(Point.class)
    void hasAQuestionForEveryPointThatMayBeSilent(Point point) {
        assertThat(point.question(Optional.empty())).isNotBlank().doesNotEndWith(".");
        assertThat(point.question(Optional.of("shop.client.example")))
                .isEqualTo(point == Point.DOMAIN ? "use on shop.client.example" : point.question(Optional.empty()));
    }

    private FaceUse use() {
        Set<Act> acts = EnumSet.of(pick(List.of(Act.values())));
        if (random.nextBoolean()) {
            acts.add(pick(List.of(Act.values())));
        }
        return new FaceUse(
                "f",
                random.nextBoolean() ? REGULAR : BOLD,
                acts,
                random.nextInt(5) == 0
                        ? Optional.empty()
                        : Optional.of(pick(List.of(FontFormat.WOFF2, FontFormat.WOFF, FontFormat.TTF))),
                random.nextInt(5) == 0
                        ? Optional.empty()
                        : Optional.of(new Place(DomainName.parse(pick(HOSTS)), random.nextInt(4) == 0)),
                random.nextInt(5) == 0
                        ? Optional.empty()
                        : Optional.of(pick(HOLDERS).clientId()),
                DAY.plusDays(random.nextInt(21) - 10L));
    }

    private static Map<Act, Clause> acts(Supplier<Clause> clause) {
        return Arrays.stream(Act.values()).collect(Collectors.toMap(act -> act, act -> clause.get()));
    }

    private License license(String id) {
        List<DomainPattern> domains = Stream.of("client.example", "*.client.example", "other.example")
                .filter(domain -> random.nextInt(3) == 0)
                .map(DomainPattern::parse)
                .toList();
        return License.named(id, "License " + id)
                .basis(pick(List.of(Basis.values())))
                .open(random.nextInt(4) == 0 ? Optional.of(pick(List.of(OpenLicense.values()))) : Optional.empty())
                .holder(random.nextInt(4) == 0 ? Optional.of(pick(HOLDERS)) : Optional.empty())
                .covers(List.of(new Coverage(
                        random.nextInt(5) == 0 ? "g" : "f", random.nextInt(3) == 0 ? List.of(BOLD) : List.of())))
                .acts(acts(this::clause))
                .domains(new PermittedDomains(
                        random.nextInt(4) == 0,
                        domains,
                        random.nextInt(3) == 0 ? OptionalInt.of(1 + random.nextInt(2)) : OptionalInt.empty(),
                        pick(List.of(Counting.values())),
                        clause(),
                        clause(),
                        random.nextBoolean()))
                .anyFormat(random.nextBoolean())
                .formats(random.nextBoolean() ? Set.of(FontFormat.WOFF2) : Set.of())
                .period(new Period(
                        random.nextBoolean() ? Optional.empty() : Optional.of(DAY.plusDays(random.nextInt(30) - 20L)),
                        random.nextBoolean() ? Optional.empty() : Optional.of(DAY.plusDays(random.nextInt(30) - 8L)),
                        random.nextInt(12),
                        random.nextInt(4) == 0))
                .pageViews(
                        random.nextInt(4) > 0
                                ? Optional.empty()
                                : Optional.of(new PageViews(
                                        100, List.of(new Reading("Client", YearMonth.from(DAY), random.nextInt(200))))))
                .hasProof(random.nextBoolean())
                .build();
    }

    private static License with(License license, Clause clause) {
        PermittedDomains where = license.domains();
        return LicenseBuilder.builder(license)
                .acts(acts(() -> clause))
                .domains(new PermittedDomains(
                        where.any(),
                        where.named(),
                        where.places(),
                        where.counting(),
                        clause,
                        clause,
                        where.developmentCounts()))
                .build();
    }

    private Clause clause() {
        return pick(List.of(Clause.GRANTED, Clause.GRANTED, Clause.REFUSED, Clause.NOT_STATED));
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}
