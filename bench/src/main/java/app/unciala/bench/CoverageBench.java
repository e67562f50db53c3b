package app.unciala.bench;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.flag.CoverageTable;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Act;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.Holder;
import app.unciala.core.license.License;
import app.unciala.core.license.PermittedDomains;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;

/** Deciding all crossings of 2,000 families and 500 sites with 1,000 licenses. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class CoverageBench {
    private static final int FAMILIES = 2_000;
    private static final int SITES = 500;
    private static final int LICENSES = 1_000;
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);

    private Snapshot snapshot;

    @Setup
    public void fill() {
        List<Family> families = IntStream.range(0, FAMILIES)
                .mapToObj(i -> new Family("f" + i, "Family " + i, List.of()))
                .toList();
        List<Site> sites = IntStream.range(0, SITES)
                .mapToObj(i -> new Site(
                        "s" + i,
                        "Site " + i,
                        "c" + i % 100,
                        List.of(
                                Place.live(DomainName.parse("site" + i + ".example")),
                                Place.live(DomainName.parse("shop.site" + i + ".example"))),
                        List.of(new Ask(TextRole.HEADINGS, "f" + i * 3 % FAMILIES, REGULAR))))
                .toList();
        List<License> licenses =
                IntStream.range(0, LICENSES).mapToObj(CoverageBench::license).toList();
        snapshot = new Snapshot(LocalDate.of(2030, 5, 10), families, licenses, sites);
    }

    /** A third names domains, a tenth is held by a client, the others permit any domain. */
    private static License license(int number) {
        boolean named = number % 3 == 0;
        return License.named("l" + number, "License " + number)
                .covers(List.of(
                        new Coverage("f" + number * 2 % FAMILIES, List.of()),
                        new Coverage("f" + (number * 2 + 1) % FAMILIES, List.of())))
                .acts(Map.of(Act.SERVE, number % 17 == 0 ? Clause.NOT_STATED : Clause.GRANTED))
                .holder(number % 10 == 0 ? Optional.of(new Holder("c" + number % 100, "Client")) : Optional.empty())
                .domains(new PermittedDomains(
                        !named,
                        named ? List.of(DomainPattern.parse("site" + number % SITES + ".example")) : List.of(),
                        OptionalInt.empty(),
                        Counting.HOST,
                        Clause.NOT_STATED,
                        Clause.NOT_STATED,
                        false))
                .anyFormat(true)
                .build();
    }

    @Benchmark
    public void everyCrossing(Blackhole blackhole) {
        CoverageTable table = new CoverageTable(snapshot);
        for (int i = 0; i < FAMILIES; i++) {
            blackhole.consume(table.row("f" + i, snapshot.sites()));
        }
    }
}
