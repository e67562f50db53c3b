package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.sentence.Sentences;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Supplier;

/**
 * Where a license may be used: on any domain, or on those named. A license for a number of domains has as many places;
 * a domain takes one when it is named, in the order in which they are named. Nobody else's names are permitted for it.
 *
 * @param places how many domains may be named; as many as one likes when empty
 * @param counting what counts as one domain
 * @param subdomains what is said of hosts below a named domain
 * @param development what is said of local hosts, and of those that a site names as staging hosts
 * @param developmentCounts whether local and staging hosts that are named take a place
 */
public record PermittedDomains(
        boolean any,
        List<DomainPattern> named,
        OptionalInt places,
        Counting counting,
        Clause subdomains,
        Clause development,
        boolean developmentCounts) {
    private static final String ANY = "any domain is permitted";
    private static final Comparator<DomainPattern> BY_TEXT = Comparator.comparing(DomainPattern::toString);

    /** What takes one place. */
    public enum Counting {
        /** Each host, with its {@code www}; a wildcard takes one place, however many hosts are below it. */
        HOST("host"),
        /** Each registrable domain, with all hosts below it, by the Public Suffix List. */
        REGISTRABLE_DOMAIN("registrable domain");

        private final String words;

        Counting(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public PermittedDomains {
        named = List.copyOf(named);
    }

    /** Nothing is said of any host. */
    public static PermittedDomains notStated() {
        return new PermittedDomains(
                false, List.of(), OptionalInt.empty(), Counting.HOST, Clause.NOT_STATED, Clause.NOT_STATED, false);
    }

    /** Any domain; nothing is said of local hosts, which then are permitted too. */
    public static PermittedDomains anywhere() {
        return new PermittedDomains(
                true, List.of(), OptionalInt.empty(), Counting.HOST, Clause.NOT_STATED, Clause.NOT_STATED, false);
    }

    /** Whether it says where the license may be used at all. */
    public boolean isStated() {
        return any || !named.isEmpty() || places.isPresent();
    }

    /** How many places the named domains take. */
    public int taken() {
        return (int) named.stream()
                .filter(this::counts)
                .map(this::counted)
                .distinct()
                .count();
    }

    /** How many more domains may be named; nothing where it has no limit. */
    public OptionalInt free() {
        return places.isPresent() ? OptionalInt.of(Math.max(0, places.getAsInt() - taken())) : places;
    }

    /** The named domains that are more than there are places for, in the order in which they are named. */
    public List<DomainPattern> over() {
        if (places.isEmpty()) {
            return List.of();
        }
        List<String> withPlace = named.stream()
                .filter(this::counts)
                .map(this::counted)
                .distinct()
                .limit(places.getAsInt())
                .toList();
        return named.stream()
                .filter(pattern -> counts(pattern) && !withPlace.contains(counted(pattern)))
                .toList();
    }

    private boolean counts(DomainPattern pattern) {
        return developmentCounts || !pattern.domain().isLocal();
    }

    private String counted(DomainPattern pattern) {
        DomainName domain = pattern.domain().withoutWww();
        if (counting == Counting.REGISTRABLE_DOMAIN) {
            return domain.registrable().ascii();
        }
        return pattern.wildcard() ? pattern.toString() : domain.ascii();
    }

    /** What is said where the use was not asked about on any domain. */
    Reason withoutDomain() {
        return any
                ? new Reason(Point.DOMAIN, Verdict.ALLOWED, ANY)
                : new Reason(Point.DOMAIN, Verdict.NOT_STATED, "it depends on the domain, and none was asked about");
    }

    /** What is said of a host; {@code staging} when its site names it as a staging host. */
    List<Reason> of(DomainName host, boolean staging) {
        return ruling(host, staging).words().get();
    }

    /** The verdict of {@link #of}, for tables of many hosts whose words nobody reads. */
    Verdict verdict(DomainName host, boolean staging) {
        return ruling(host, staging).verdict();
    }

    /** A verdict, and its words, which are worked out only when they are asked for. */
    private record Ruling(Verdict verdict, Supplier<List<Reason>> words) {
        static Ruling of(Clause clause, String what) {
            return new Ruling(clause.verdict(), () -> List.of(Reason.of(Point.DOMAIN, clause, what)));
        }

        static Ruling of(Verdict verdict, Supplier<String> words) {
            return new Ruling(verdict, () -> List.of(new Reason(Point.DOMAIN, verdict, words.get())));
        }
    }

    private Ruling ruling(DomainName host, boolean staging) {
        if (any) {
            return Ruling.of(Verdict.ALLOWED, () -> ANY);
        }
        List<DomainPattern> matching = named.stream()
                .filter(pattern -> pattern.matches(host))
                .sorted(BY_TEXT)
                .toList();
        if (!matching.isEmpty()) {
            return named(host, matching);
        }
        Ruling own = Ruling.of(development, "use on local and staging hosts");
        if (host.isLocal()) {
            return own;
        }
        Ruling live = live(host);
        return staging && own.verdict().compareTo(live.verdict()) < 0 ? own : live;
    }

    private Ruling named(DomainName host, List<DomainPattern> matching) {
        List<DomainPattern> over = over();
        Optional<DomainPattern> within =
                matching.stream().filter(pattern -> !over.contains(pattern)).findFirst();
        DomainPattern by = within.orElse(matching.get(0));
        Supplier<Reason> permitted =
                () -> new Reason(Point.DOMAIN, Verdict.ALLOWED, host.display() + " is permitted by " + by);
        return within.isPresent()
                ? new Ruling(Verdict.ALLOWED, () -> List.of(permitted.get()))
                : new Ruling(
                        Verdict.REFUSED,
                        () -> List.of(
                                permitted.get(),
                                new Reason(
                                        Point.DOMAIN_LIMIT,
                                        Verdict.REFUSED,
                                        tooMany() + "; " + by + " is over the limit")));
    }

    /** How many domains are listed and how many are permitted, where too many are listed. */
    String tooMany() {
        return Sentences.count(taken(), counting.words() + " is", counting.words() + "s are")
                + " listed where it permits " + Sentences.number(places.orElseThrow());
    }

    private Ruling live(DomainName host) {
        if (!isStated()) {
            return Ruling.of(Verdict.NOT_STATED, () -> "permitted domains are not stated; ask the vendor");
        }
        return named.stream()
                .filter(pattern -> pattern.isAbove(host))
                .min(Comparator.comparing((DomainPattern pattern) -> isOver(pattern))
                        .thenComparing(BY_TEXT))
                .map(above -> isOver(above) ? tooMany(above) : Ruling.of(subdomains, "use on subdomains of " + above))
                .orElseGet(() -> Ruling.of(
                        Verdict.REFUSED,
                        () -> host.display() + " is not among its domains"
                                + NearMiss.of(host, named)
                                        .map(near -> "; it names " + near + ", which differs by a letter or two")
                                        .orElseGet(this::freePlaces)));
    }

    private boolean isOver(DomainPattern pattern) {
        return over().contains(pattern);
    }

    private Ruling tooMany(DomainPattern above) {
        return new Ruling(
                Verdict.REFUSED,
                () -> List.of(new Reason(
                        Point.DOMAIN_LIMIT,
                        Verdict.REFUSED,
                        tooMany() + "; " + above + " is over the limit with all its subdomains")));
    }

    private String freePlaces() {
        return free().stream()
                .mapToObj(left -> left == 0
                        ? "; its limit of " + Sentences.number(places.orElseThrow()) + " is reached"
                        : "; " + Sentences.number(left) + " more may be added")
                .findFirst()
                .orElse("");
    }
}
