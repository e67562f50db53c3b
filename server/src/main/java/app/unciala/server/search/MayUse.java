package app.unciala.server.search;

import app.unciala.core.domain.DomainName;
import app.unciala.core.license.Verdict;
import app.unciala.core.search.NameIndex.Nearness;
import app.unciala.server.decision.CoverageService;
import app.unciala.server.decision.CoverageService.Explained;
import app.unciala.server.decision.DecisionService;
import app.unciala.server.decision.DecisionService.Decided;
import app.unciala.server.decision.DecisionService.Question;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.HeldNames;
import app.unciala.server.search.SearchService.Hit;
import app.unciala.server.search.SearchService.HitType;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Answers “may we use it there?”: a family and a site, or a domain, in one line, in either order. */
@Component
class MayUse {
    private static final int MOST_SITES = 3;
    private static final int MOST_WORDS = 12;
    private static final int SHORTEST = 3;

    private final HeldNames names;
    private final FamilyService families;
    private final SiteService sites;
    private final CoverageService coverage;
    private final DecisionService decisions;

    MayUse(
            HeldNames names,
            FamilyService families,
            SiteService sites,
            CoverageService coverage,
            DecisionService decisions) {
        this.names = names;
        this.families = families;
        this.sites = sites;
        this.coverage = coverage;
        this.decisions = decisions;
    }

    /** The verdicts on the first way of reading the words as a family and a place; none when there is no such way. */
    List<Hit> verdicts(String text) {
        List<String> words = Arrays.stream(text.strip().split("\\s+"))
                .filter(word -> !word.equalsIgnoreCase("on"))
                .toList();
        if (words.size() < 2 || words.size() > MOST_WORDS) {
            return List.of();
        }
        return IntStream.range(1, words.size())
                .boxed()
                .flatMap(at -> Stream.of(
                        verdicts(joined(words, 0, at), joined(words, at, words.size())),
                        verdicts(joined(words, at, words.size()), joined(words, 0, at))))
                .filter(found -> !found.isEmpty())
                .findFirst()
                .orElse(List.of());
    }

    private static String joined(List<String> words, int from, int to) {
        return String.join(" ", words.subList(from, to));
    }

    private List<Hit> verdicts(String family, String place) {
        if (place.length() < SHORTEST) {
            return List.of();
        }
        List<Site> there = sites.list(place, null, MOST_SITES).items();
        Optional<DomainName> domain = there.isEmpty() && place.contains(".") ? domain(place) : Optional.empty();
        if (there.isEmpty() && domain.isEmpty()) {
            return List.of();
        }
        Optional<Family> held = names.current().find(family, 1).stream()
                .filter(found -> found.nearness() != Nearness.RESEMBLES)
                .findFirst()
                .flatMap(found ->
                        families.withIds(List.of(found.familyId())).stream().findFirst());
        return held.map(known -> there.isEmpty()
                        ? domain.flatMap(host -> onDomain(known, host)).stream().toList()
                        : there.stream()
                                .map(site -> onSite(coverage.explain(known.id(), site.id())))
                                .toList())
                .orElse(List.of());
    }

    private static Optional<DomainName> domain(String text) {
        try {
            return Optional.of(DomainName.parse(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Hit onSite(Explained crossing) {
        String why = crossing.licenses().stream()
                .findFirst()
                .map(says -> says.verdict() == Verdict.ALLOWED
                        ? "by " + says.licenseName()
                        : says.licenseName() + ": " + says.reasons().get(0).text())
                .orElse("no license covers it");
        return hit(crossing.familyId(), crossing.familyName() + " on " + crossing.siteName(), crossing.verdict(), why);
    }

    private Optional<Hit> onDomain(Family family, DomainName host) {
        return family.files().stream().findFirst().map(file -> {
            Decided decided =
                    decisions.decide(new Question(family.id(), file.slot(), null, host.ascii(), null, null, null));
            String why = decided.reasons().stream()
                    .filter(reason -> reason.verdict() == decided.verdict())
                    .reduce((first, last) -> decided.verdict() == Verdict.ALLOWED ? first : last)
                    .map(reason -> reason.text())
                    .orElse("");
            return hit(family.id(), family.name() + " on " + host.display(), decided.verdict(), why);
        });
    }

    private static Hit hit(String familyId, String name, Verdict verdict, String why) {
        String said = verdict.name().toLowerCase(Locale.ROOT).replace('_', ' ');
        return new Hit(HitType.VERDICT, familyId, name, "", said + ", " + why);
    }
}
