package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.Amendment.Wish;
import app.unciala.core.license.FaceUse.Place;
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

class AmendmentTest {
    private static final LocalDate TODAY = LocalDate.of(2030, 5, 10);
    private static final Wish WISH = new Wish("new", places("a.example", "b.example"), "client", TODAY);

    @Test
    void namesTheFamilyAndTheDomainsThatAreMissing() {
        assertThat(Amendment.of(license("a.example").build(), WISH))
                .contains(new Amendment(true, List.of(DomainName.parse("b.example"))));
        License whole = license("a.example", "b.example")
                .covers(List.of(new Coverage("new", List.of())))
                .build();
        assertThat(Amendment.of(whole, WISH)).as("nothing has to be added").isEmpty();
        License partly = license("a.example", "b.example")
                .covers(List.of(new Coverage("new", List.of(Slot.of(400, 100, Slope.UPRIGHT)))))
                .build();
        assertThat(Amendment.of(partly, WISH)).contains(new Amendment(true, List.of()));
    }

    @Test
    void noAmendmentHelpsWhereMoreIsInTheWay() {
        License refusing =
                license("a.example").acts(Map.of(Act.SERVE, Clause.REFUSED)).build();
        License silent = license("a.example").acts(Map.of()).build();
        License ended = license("a.example")
                .period(new Period(Optional.empty(), Optional.of(TODAY.minusDays(1)), 0, false))
                .build();
        License held = license("a.example")
                .holder(Optional.of(new Holder("another", "Another")))
                .build();
        License full = license("a.example")
                .domains(domains(OptionalInt.of(1), "a.example"))
                .build();
        assertThat(List.of(refusing, silent, ended, held, full))
                .allSatisfy(license -> assertThat(Amendment.of(license, WISH)).isEmpty());
        License free = license("a.example")
                .domains(domains(OptionalInt.of(2), "a.example"))
                .build();
        assertThat(Amendment.of(free, WISH)).isPresent();
    }

    private static LicenseBuilder license(String... domains) {
        return License.named("l", "License")
                .acts(Map.of(Act.SERVE, Clause.GRANTED))
                .formats(Set.of(FontFormat.WOFF2))
                .covers(List.of(new Coverage("old", List.of())))
                .domains(domains(OptionalInt.empty(), domains));
    }

    private static PermittedDomains domains(OptionalInt places, String... names) {
        return new PermittedDomains(
                false,
                List.of(names).stream().map(DomainPattern::parse).toList(),
                places,
                Counting.HOST,
                Clause.NOT_STATED,
                Clause.NOT_STATED,
                false);
    }

    private static List<Place> places(String... hosts) {
        return List.of(hosts).stream()
                .map(host -> Place.live(DomainName.parse(host)))
                .toList();
    }
}
