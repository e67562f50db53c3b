package app.unciala.core.flag;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Act;
import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.Holder;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseBuilder;
import app.unciala.core.license.Period;
import app.unciala.core.license.PermittedDomains;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Embedding;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.face.UseMarks;
import app.unciala.font.face.UseMarks.Mark;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Properties of the comparison over generated inventories and generated changes. */
class ComparisonPropertyTest {
    private static final int CHANGES = 120;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void comparingWhatAChangeTouchesEqualsComparingEverything(long seed) {
        Inventory inventory = new Inventory(seed);
        Map<String, Flag> kept = new TreeMap<>();
        EnumSet<FlagKind> seen = EnumSet.noneOf(FlagKind.class);
        for (int i = 0; i < CHANGES; i++) {
            Snapshot before = inventory.snapshot(false);
            Scope touched = inventory.change(before);
            Snapshot after = inventory.snapshot(true);
            Set<String> owners = touched.owners().stream().map(Owner::key).collect(Collectors.toSet());
            kept.values().removeIf(flag -> owners.contains(flag.owner().key()));
            Comparison.compare(inventory.part(touched), touched).forEach(flag -> kept.put(flag.id(), flag));
            List<Flag> all = Comparison.compare(after);
            assertThat(kept.values()).as("after change " + i).containsExactlyInAnyOrderElementsOf(all);
            assertThat(all.stream().map(Flag::id)).doesNotHaveDuplicates();
            all.forEach(flag -> seen.add(flag.kind()));
        }
        assertThat(seen).as("the generator reaches most kinds").hasSizeGreaterThan(12);
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25, 26})
    void theOrderOfTheInputHasNoInfluence(long seed) {
        Inventory inventory = new Inventory(seed);
        for (int i = 0; i < CHANGES; i++) {
            inventory.change(inventory.snapshot(false));
        }
        List<Flag> flags = Comparison.compare(inventory.snapshot(false));
        assertThat(flags).hasSizeGreaterThan(10);
        for (int i = 0; i < 10; i++) {
            assertThat(Comparison.compare(inventory.snapshot(true))).isEqualTo(flags);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35, 36})
    void solvingAndBreakingAgainGivesTheSameIdentities(long seed) {
        Inventory inventory = new Inventory(seed);
        for (int i = 0; i < CHANGES; i++) {
            inventory.change(inventory.snapshot(false));
        }
        Map<String, License> licenses = new HashMap<>(inventory.licenses);
        Map<String, Site> sites = new HashMap<>(inventory.sites);
        Set<String> before = ids(inventory);
        inventory.licenses.clear();
        inventory.sites.clear();
        assertThat(ids(inventory)).isNotEqualTo(before);
        inventory.sites.putAll(sites);
        inventory.licenses.putAll(licenses);
        assertThat(ids(inventory)).isEqualTo(before);
    }

    private static Set<String> ids(Inventory inventory) {
        return Comparison.compare(inventory.snapshot(true)).stream()
                .map(Flag::id)
                .collect(Collectors.toSet());
    }

    /** A small inventory that changes at random, as people and days change it. */
    private static final class Inventory {
        private final Random random;
        private final Map<String, Family> families = new HashMap<>();
        private final Map<String, License> licenses = new HashMap<>();
        private final Map<String, Site> sites = new HashMap<>();
        private LocalDate today = LocalDate.of(2030, 5, 10);

        Inventory(long seed) {
            random = new Random(seed);
        }

        Snapshot snapshot(boolean shuffled) {
            return shuffled
                    ? new Snapshot(
                            today,
                            mixed(families.values()).stream()
                                    .map(family -> new Family(family.id(), family.name(), mixed(family.files())))
                                    .toList(),
                            mixed(licenses.values()).stream().map(this::mixed).toList(),
                            mixed(sites.values()).stream()
                                    .map(site -> new Site(
                                            site.id(), site.name(), site.clientId(), site.places(), mixed(site.asks())))
                                    .toList())
                    : new Snapshot(today, families.values(), licenses.values(), sites.values());
        }

        /** Only the records that a scope needs, as the server loads them. */
        Snapshot part(Scope scope) {
            Snapshot all = snapshot(true);
            Set<String> siteIds = new LinkedHashSet<>(scope.ids(Owner.Type.SITE));
            Set<String> familyIds = new LinkedHashSet<>(scope.ids(Owner.Type.FAMILY));
            Set<String> licenseIds = new LinkedHashSet<>(scope.ids(Owner.Type.LICENSE));
            siteIds.addAll(all.sitesAsking(familyIds));
            siteIds.forEach(
                    id -> all.site(id).ifPresent(site -> site.asks().forEach(ask -> familyIds.add(ask.familyId()))));
            licenseIds.addAll(all.licensesCovering(familyIds));
            licenseIds.forEach(id -> all.license(id)
                    .ifPresent(license -> license.covers().forEach(covered -> familyIds.add(covered.familyId()))));
            families.values().stream()
                    .filter(family -> family.files().stream()
                            .anyMatch(file -> scope.ids(Owner.Type.BYTES).contains(file.sha256())
                                    || scope.ids(Owner.Type.DRAWING).contains(file.drawing())))
                    .forEach(family -> familyIds.add(family.id()));
            return new Snapshot(
                    today, found(familyIds, all::family), found(licenseIds, all::license), found(siteIds, all::site));
        }

        private static <T> List<T> found(Set<String> ids, Function<String, Optional<T>> find) {
            return ids.stream().map(find).flatMap(Optional::stream).toList();
        }

        /** Makes one change and says what it touches. */
        Scope change(Snapshot before) {
            String id = String.valueOf(random.nextInt(6));
            switch (random.nextInt(9)) {
                case 0, 1, 2 -> {
                    Family old = families.get(id);
                    List<HeldFile> files = new ArrayList<>(old == null ? List.of() : old.files());
                    List<HeldFile> touched = new ArrayList<>(files);
                    if (!files.isEmpty() && random.nextInt(3) == 0) {
                        files.remove(random.nextInt(files.size()));
                    } else {
                        files.add(file(id + "-" + random.nextInt(1000)));
                    }
                    families.put(id, new Family(id, "Family " + random.nextInt(40) + id, files));
                    touched.addAll(files);
                    return Scope.ofFamilies(Set.of(id), touched, before);
                }
                case 3, 4 -> {
                    License old = licenses.get(id);
                    License next = random.nextInt(5) == 0 ? null : license(id);
                    put(licenses, id, next);
                    Collection<String> covered = Stream.of(old, next)
                            .filter(license -> license != null)
                            .flatMap(license -> license.covers().stream())
                            .map(Coverage::familyId)
                            .collect(Collectors.toSet());
                    return Scope.ofLicense(id, covered, before);
                }
                case 5, 6, 7 -> {
                    Site old = sites.get(id);
                    Site next = random.nextInt(6) == 0 ? null : site(id);
                    put(sites, id, next);
                    Collection<String> asked = Stream.of(old, next)
                            .filter(site -> site != null)
                            .flatMap(site -> site.asks().stream())
                            .map(Ask::familyId)
                            .collect(Collectors.toSet());
                    return Scope.ofSite(id, asked);
                }
                default -> {
                    LocalDate from = today;
                    today = today.plusDays(1 + random.nextInt(20));
                    return licenses.values().stream()
                            .filter(license -> license.period().changesBetween(from, today))
                            .map(license -> Scope.ofLicense(
                                    license.id(),
                                    license.covers().stream()
                                            .map(Coverage::familyId)
                                            .toList(),
                                    before))
                            .reduce(Scope.NOTHING, Scope::and);
                }
            }
        }

        private static <T> void put(Map<String, T> records, String id, T record) {
            if (record == null) {
                records.remove(id);
            } else {
                records.put(id, record);
            }
        }

        private HeldFile file(String id) {
            FontFormat format = any(FontFormat.TTF, FontFormat.WOFF2, FontFormat.WOFF);
            String drawing = "drawing" + random.nextInt(12);
            String sha256 = drawing + format + random.nextInt(3);
            Embedding.Level embedding =
                    random.nextInt(4) == 0 ? Embedding.Level.RESTRICTED : Embedding.Level.INSTALLABLE;
            return new HeldFile(
                    id,
                    "file" + random.nextInt(5),
                    sha256,
                    format,
                    slot(),
                    drawing,
                    embedding,
                    random.nextInt(400),
                    random.nextInt(6) > 0
                            ? Optional.empty()
                            : Optional.of(new Mark(
                                    UseMarks.Kind.values()[random.nextInt(UseMarks.Kind.values().length)],
                                    "full name",
                                    "Not for all")),
                    random.nextBoolean(),
                    random.nextInt(8) > 0,
                    Optional.empty());
        }

        private License license(String id) {
            List<Coverage> covers = Stream.generate(() -> new Coverage(
                            String.valueOf(random.nextInt(6)), random.nextBoolean() ? List.of() : List.of(slot())))
                    .limit(1 + random.nextInt(3))
                    .toList();
            List<DomainPattern> domains = Stream.generate(() -> DomainPattern.parse(domain().ascii()))
                    .limit(random.nextInt(3))
                    .distinct()
                    .toList();
            return License.named(id, "License " + random.nextInt(9) + id)
                    .basis(any(Basis.values()))
                    .holder(random.nextInt(5) > 0 ? Optional.empty() : Optional.of(new Holder(client(), "Client")))
                    .covers(covers)
                    .acts(Map.of(Act.SERVE, any(Clause.values()), Act.CONVERT, any(Clause.values())))
                    .domains(new PermittedDomains(
                            random.nextInt(4) == 0,
                            domains,
                            random.nextInt(3) > 0 ? OptionalInt.empty() : OptionalInt.of(1),
                            any(Counting.values()),
                            any(Clause.values()),
                            any(Clause.values()),
                            random.nextBoolean()))
                    .anyFormat(random.nextBoolean())
                    .formats(random.nextBoolean() ? Set.of() : Set.of(FontFormat.WOFF))
                    .period(new Period(
                            random.nextBoolean()
                                    ? Optional.empty()
                                    : Optional.of(today.plusDays(random.nextInt(60) - 40)),
                            random.nextBoolean()
                                    ? Optional.empty()
                                    : Optional.of(today.plusDays(random.nextInt(90) - 20)),
                            30,
                            random.nextInt(4) == 0))
                    .hasProof(random.nextBoolean())
                    .build();
        }

        private Site site(String id) {
            List<DomainName> domains = Stream.generate(this::domain)
                    .limit(random.nextInt(3))
                    .distinct()
                    .toList();
            List<Ask> asks = Stream.generate(() -> new Ask(
                            any(TextRole.USUAL.toArray(new TextRole[0])), String.valueOf(random.nextInt(7)), slot()))
                    .limit(random.nextInt(5))
                    .toList();
            return new Site(
                    id,
                    "Site " + random.nextInt(9) + id,
                    client(),
                    domains.stream()
                            .map(domain -> new Place(domain, random.nextInt(4) == 0))
                            .toList(),
                    asks);
        }

        private String client() {
            return any("tarn", "quay");
        }

        private DomainName domain() {
            return DomainName.parse(
                    any("client.example", "shop.client.example", "news.client.example", "other.example"));
        }

        private Slot slot() {
            return Slot.of(any(400, 700), 100, any(Slope.UPRIGHT, Slope.ITALIC, Slope.OBLIQUE));
        }

        private License mixed(License license) {
            // The order in which domains are named says which of them have a place.
            return LicenseBuilder.builder(license)
                    .covers(mixed(license.covers()))
                    .build();
        }

        private <T> List<T> mixed(Collection<T> items) {
            List<T> list = new ArrayList<>(items);
            Collections.shuffle(list, random);
            return list;
        }

        @SafeVarargs
        private <T> T any(T... values) {
            return values[random.nextInt(values.length)];
        }
    }
}
