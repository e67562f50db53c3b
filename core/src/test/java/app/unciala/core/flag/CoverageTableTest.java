package app.unciala.core.flag;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.flag.CoverageTable.Cell;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Act;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.Holder;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseBuilder;
import app.unciala.core.license.PermittedDomains;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.core.license.Verdict;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class CoverageTableTest {
    private static final LocalDate TODAY = LocalDate.of(2030, 5, 10);
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);

    @Test
    void aFamilyIsDecidedOnEverySiteWhetherItAsksForItOrNot() {
        License named = license("named", "client.example").build();
        License held = license("held", "client.example", "other.example")
                .holder(Optional.of(new Holder("quay", "Quay")))
                .covers(List.of(new Coverage("g", List.of(REGULAR))))
                .build();
        Site asking = site("asking", "tarn", List.of("client.example"), List.of(ask("f")));
        Site silent = site("silent", "quay", List.of("other.example", "client.example"), List.of());
        CoverageTable table = new CoverageTable(
                new Snapshot(TODAY, families("f", "g", "h"), List.of(named, held), List.of(asking, silent)));
        List<Site> sites = List.of(asking, silent);
        assertThat(table.row("f", sites))
                .containsExactly(
                        new Cell("asking", Verdict.ALLOWED, true, Optional.of("named"), false),
                        new Cell("silent", Verdict.REFUSED, false, Optional.of("named"), false));
        assertThat(table.row("g", sites))
                .as("held by a client, and for one face only")
                .containsExactly(
                        new Cell("asking", Verdict.REFUSED, false, Optional.of("held"), true),
                        new Cell("silent", Verdict.ALLOWED, false, Optional.of("held"), true));
        assertThat(table.row("h", sites))
                .as("no license covers it")
                .allMatch(cell ->
                        cell.verdict() == Verdict.REFUSED && cell.licenseId().isEmpty());
    }

    /** Whatever the table remembers from one cell for the next, each is as if it were asked for alone. */
    @Test
    void aCellDoesNotDependOnWhatWasAskedBefore() {
        Random random = new Random(7);
        for (int i = 0; i < 60; i++) {
            Snapshot snapshot = snapshot(random);
            CoverageTable table = new CoverageTable(snapshot);
            List<Site> sites = new ArrayList<>(snapshot.sites());
            for (String family : List.of("f", "g", "h", "f")) {
                Collections.shuffle(sites, random);
                List<Cell> row = table.row(family, sites);
                for (int n = 0; n < sites.size(); n++) {
                    Site site = sites.get(n);
                    Cell cell = row.get(n);
                    assertThat(cell)
                            .isEqualTo(new CoverageTable(snapshot)
                                    .row(family, List.of(site))
                                    .get(0));
                    Optional<Verdict> asked = Crossing.of(snapshot, site).stream()
                            .filter(crossing -> crossing.ask().familyId().equals(family))
                            .flatMap(crossing -> crossing.decisions().values().stream())
                            .map(decision -> decision.verdict())
                            .max(Verdict::compareTo);
                    asked.ifPresent(verdict -> assertThat(cell.verdict())
                            .as("as the site's own page has it")
                            .isEqualTo(verdict));
                }
            }
        }
    }

    private static Snapshot snapshot(Random random) {
        List<License> licenses = IntStream.range(0, 4)
                .mapToObj(i -> license("l" + i, random.nextBoolean() ? "client.example" : "other.example")
                        .covers(List.of(new Coverage(
                                List.of("f", "g").get(random.nextInt(2)),
                                random.nextInt(3) == 0 ? List.of(REGULAR) : List.of())))
                        .holder(random.nextInt(3) == 0 ? Optional.of(new Holder("tarn", "Tarn")) : Optional.empty())
                        .acts(Map.of(Act.SERVE, Clause.values()[random.nextInt(3)]))
                        .build())
                .toList();
        List<Site> sites = IntStream.range(0, 5)
                .mapToObj(i -> site(
                        "s" + i,
                        random.nextBoolean() ? "tarn" : "quay",
                        random.nextInt(3) == 0 ? List.of("client.example", "other.example") : List.of("client.example"),
                        random.nextBoolean() ? List.of(ask(random.nextBoolean() ? "f" : "g")) : List.of()))
                .toList();
        return new Snapshot(TODAY, families("f", "g", "h"), licenses, sites);
    }

    private static List<Family> families(String... ids) {
        return List.of(ids).stream().map(id -> new Family(id, id, List.of())).toList();
    }

    private static Site site(String id, String client, List<String> hosts, List<Ask> asks) {
        return new Site(
                id,
                id,
                client,
                hosts.stream().map(DomainName::parse).map(Place::live).toList(),
                asks);
    }

    private static Ask ask(String family) {
        return new Ask(TextRole.HEADINGS, family, REGULAR);
    }

    private static LicenseBuilder license(String id, String... domains) {
        return License.named(id, id)
                .covers(List.of(new Coverage("f", List.of())))
                .acts(Map.of(Act.SERVE, Clause.GRANTED))
                .domains(new PermittedDomains(
                        false,
                        List.of(domains).stream().map(DomainPattern::parse).toList(),
                        OptionalInt.empty(),
                        Counting.HOST,
                        Clause.NOT_STATED,
                        Clause.NOT_STATED,
                        false))
                .anyFormat(true);
    }
}
