package app.unciala.core.flag;

import app.unciala.core.css.TextRole;
import app.unciala.core.license.Act;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.DeliveryTerms;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.License;
import app.unciala.core.pack.PackBasis;
import app.unciala.core.pack.Placement;
import app.unciala.core.page.Addresses;
import app.unciala.core.page.OwnHosts;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Embedding;
import app.unciala.font.face.Slot;
import app.unciala.font.face.UseMarks.Mark;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What is asked, held and allowed on one day, looked up by key: everything the comparison looks at. It may hold the
 * whole inventory, or just the part that one scope needs. The order in which records are given has no influence.
 */
public final class Snapshot implements Scope.Links {
    private final LocalDate today;
    private final Map<String, Family> families;
    private final Map<String, License> licenses;
    private final Map<String, Site> sites;
    private final Map<String, List<License>> covering;
    private final Map<String, List<Site>> asking;
    private final Map<String, List<Placed>> byBytes;
    private final Map<String, List<Placed>> byDrawing;

    public Snapshot(
            LocalDate today, Collection<Family> families, Collection<License> licenses, Collection<Site> sites) {
        this.today = today;
        this.families = byId(families, Family::id);
        this.licenses = byId(licenses, License::id);
        this.sites = byId(sites, Site::id);
        covering = grouped(
                this.licenses.values(),
                license -> license.covers().stream().map(Coverage::familyId).distinct());
        asking = grouped(
                this.sites.values().stream()
                        .sorted(Comparator.comparing(Site::name).thenComparing(Site::id))
                        .toList(),
                site -> site.asks().stream().map(Ask::familyId).distinct());
        List<Placed> files = this.families.values().stream()
                .flatMap(family -> family.files().stream().map(file -> new Placed(family, file)))
                .sorted(Placed.ORDER)
                .toList();
        byBytes = grouped(files, placed -> Stream.of(placed.file().sha256()));
        byDrawing = grouped(files, placed -> Stream.of(placed.file().drawing()));
    }

    /** A family in the inventory with its files. */
    public record Family(String id, String name, List<HeldFile> files) {
        /** By slot, then format, name and id. */
        public Family {
            files = files.stream().sorted(HeldFile.ORDER).toList();
        }
    }

    /**
     * A file in the inventory; {@code madeHere} when the product converted it from another, {@code intact} unless its
     * stored bytes are damaged or gone, {@code mark} when it says that it is not for general use, {@code languages} the
     * tags of those whose characters it has, where it was read for them.
     */
    public record HeldFile(
            String id,
            String name,
            String sha256,
            FontFormat format,
            Slot slot,
            String drawing,
            Embedding.Level embedding,
            int codePoints,
            Optional<Mark> mark,
            boolean madeHere,
            boolean intact,
            Optional<Set<String>> languages) {
        static final Comparator<HeldFile> ORDER = Comparator.comparing(
                        (HeldFile file) -> file.slot().key())
                .thenComparing(HeldFile::format)
                .thenComparing(HeldFile::name)
                .thenComparing(HeldFile::id);
    }

    /**
     * The latest pack of a site.
     *
     * @param anyway why it was made with what is not allowed, if it was
     * @param fontBytes what its fonts weigh in the format that browsers take first; unknown for earlier versions
     */
    public record LatestPack(
            LocalDate madeOn,
            Optional<LocalDate> placedOn,
            Optional<String> anyway,
            Optional<Long> fontBytes,
            PackBasis basis) {
        String words() {
            return placedOn.map(day -> "The pack deployed on " + Sentences.day(day))
                    .orElseGet(() -> "The pack of " + Sentences.day(madeOn));
        }
    }

    /**
     * How a site's fonts are delivered.
     *
     * @param roles the settings of its text roles, as {@link PackBasis} compares them
     * @param described all of the delivery, likewise
     * @param budget bytes of fonts that a page may have
     * @param cut whether fonts are cut to the characters of languages
     * @param languages the tags of the languages that the site's text is in, where they are named
     * @param formats what the host takes, the one to be tried first first
     * @param placement where the files go
     * @param ownHosts the hosts that are the site's own besides those of its domains
     */
    public record Delivery(
            String roles,
            String described,
            Optional<Long> budget,
            boolean cut,
            List<String> languages,
            List<FontFormat> formats,
            Placement placement,
            OwnHosts ownHosts,
            Optional<LatestPack> pack) {
        public static final Delivery UNKNOWN = new Delivery("", "", Optional.empty(), true, List.of());

        /** WOFF 2 in a folder beside the style sheet. */
        public Delivery(String roles, String described, Optional<Long> budget, boolean cut, List<String> languages) {
            this(
                    roles,
                    described,
                    budget,
                    cut,
                    languages,
                    List.of(FontFormat.WOFF2),
                    Placement.beside(),
                    OwnHosts.OF_PAGE,
                    Optional.empty());
        }

        public Delivery with(LatestPack latest) {
            return new Delivery(
                    roles, described, budget, cut, languages, formats, placement, ownHosts, Optional.of(latest));
        }

        public Delivery with(OwnHosts own) {
            return new Delivery(roles, described, budget, cut, languages, formats, placement, own, pack);
        }

        public Delivery with(List<FontFormat> taken, Placement where) {
            return new Delivery(roles, described, budget, cut, languages, taken, where, ownHosts, pack);
        }

        /** What licenses are asked about it, on pages of these hosts. */
        DeliveryTerms terms(List<Place> places) {
            Set<Act> acts = placement.kind() == Placement.Kind.INLINE
                    ? Set.of(Act.INLINE)
                    : thirdParties(places).isEmpty() ? Set.of() : Set.of(Act.THIRD_PARTY);
            return new DeliveryTerms(formats, cut && !languages.isEmpty(), acts);
        }

        /** The third-party hosts that serve the files, for pages of these hosts. */
        List<String> thirdParties(List<Place> places) {
            List<String> pages =
                    places.stream().map(place -> place.host().ascii()).toList();
            return placement.addresses().stream()
                    .map(Addresses::host)
                    .filter(host -> !pages.isEmpty() && ownHosts.isThirdParty(host, pages))
                    .distinct()
                    .toList();
        }
    }

    /** A client's site with the hosts on which it is seen, and the faces its text roles ask for. */
    public record Site(
            String id,
            String name,
            String clientId,
            List<Place> places,
            List<Ask> asks,
            Delivery delivery,
            Optional<LatestCheck> check) {
        public Site(String id, String name, String clientId, List<Place> places, List<Ask> asks) {
            this(id, name, clientId, places, asks, Delivery.UNKNOWN, Optional.empty());
        }

        public Site with(LatestPack pack) {
            return new Site(id, name, clientId, places, asks, delivery.with(pack), check);
        }

        public Site with(OwnHosts own) {
            return new Site(id, name, clientId, places, asks, delivery.with(own), check);
        }

        public Site with(LatestCheck latest) {
            return new Site(id, name, clientId, places, asks, delivery, Optional.of(latest));
        }

        public Site {
            places = List.copyOf(places);
            asks = List.copyOf(asks);
        }

        /** Whether a text role asks for a face that one in this slot serves. */
        public boolean asksFor(String familyId, Slot slot) {
            return asks.stream().anyMatch(ask -> ask.familyId().equals(familyId) && slot.standsFor(ask.slot()));
        }

        /** The site as if it asked for these faces. */
        public Site asking(List<Ask> faces) {
            return new Site(id, name, clientId, places, faces, delivery, check);
        }

        /** The site with only what it asks of these families. */
        public Site asking(Set<String> familyIds) {
            return asking(asks.stream()
                    .filter(ask -> familyIds.contains(ask.familyId()))
                    .toList());
        }
    }

    /** One face that a text role asks for. */
    public record Ask(TextRole role, String familyId, Slot slot) {}

    /** A file with the family it is held in. */
    record Placed(Family family, HeldFile file) {
        static final Comparator<Placed> ORDER = Comparator.comparing(
                        (Placed placed) -> placed.family().name())
                .thenComparing(placed -> placed.family().id())
                .thenComparing(Placed::file, HeldFile.ORDER);

        String words() {
            return file.name() + " in " + family.name() + " " + file.slot().label();
        }
    }

    public LocalDate today() {
        return today;
    }

    public Optional<Family> family(String id) {
        return Optional.ofNullable(families.get(id));
    }

    public Optional<License> license(String id) {
        return Optional.ofNullable(licenses.get(id));
    }

    public Optional<Site> site(String id) {
        return Optional.ofNullable(sites.get(id));
    }

    public Collection<Site> sites() {
        return sites.values();
    }

    /** The licenses that cover a family, or some of its faces, by id. */
    public List<License> licensesCovering(String familyId) {
        return covering.getOrDefault(familyId, List.of());
    }

    /** The sites with a text role set in a family, by name. */
    public List<Site> sitesAsking(String familyId) {
        return asking.getOrDefault(familyId, List.of());
    }

    List<Placed> filesOfBytes(String sha256) {
        return byBytes.getOrDefault(sha256, List.of());
    }

    List<Placed> filesOfDrawing(String digest) {
        return byDrawing.getOrDefault(digest, List.of());
    }

    @Override
    public Set<String> sitesAsking(Collection<String> familyIds) {
        return familyIds.stream()
                .flatMap(id -> sitesAsking(id).stream())
                .map(Site::id)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    @Override
    public Set<String> licensesCovering(Collection<String> familyIds) {
        return familyIds.stream()
                .flatMap(id -> licensesCovering(id).stream())
                .map(License::id)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    @Override
    public Set<String> sitesShowing(Collection<String> familyIds, Collection<String> drawings) {
        return sites.values().stream()
                .filter(site -> site.check().stream()
                        .flatMap(check -> check.shown().stream())
                        .anyMatch(shown -> drawings.contains(shown.digest())
                                || shown.familyId().filter(familyIds::contains).isPresent()))
                .map(Site::id)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Every owner that this snapshot can have flags of. */
    public Scope everything() {
        return Scope.of(Stream.of(
                        sites.keySet().stream().map(Owner::site),
                        families.keySet().stream().map(Owner::family),
                        licenses.keySet().stream().map(Owner::license),
                        byBytes.keySet().stream().map(Owner::bytes),
                        byDrawing.keySet().stream().map(Owner::drawing))
                .flatMap(owners -> owners));
    }

    private static <T> Map<String, T> byId(Collection<T> records, Function<T, String> id) {
        Map<String, T> map = new TreeMap<>();
        records.forEach(record -> map.put(id.apply(record), record));
        return map;
    }

    private static <T> Map<String, List<T>> grouped(Collection<T> items, Function<T, Stream<String>> keys) {
        return items.stream()
                .flatMap(item -> keys.apply(item).map(key -> Map.entry(key, item)))
                .collect(Collectors.groupingBy(
                        Map.Entry::getKey, Collectors.mapping(Map.Entry::getValue, Collectors.toList())));
    }
}
