package app.unciala.core.flag;

import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.License;
import app.unciala.core.license.Verdict;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.face.Embedding;
import app.unciala.font.language.LanguageCoverage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What is wrong with the faces that a site asks for: not allowed there, or not held. */
final class SiteFlags {
    private SiteFlags() {}

    static Stream<Flag> of(Snapshot snapshot, Site site) {
        List<Crossing> crossings = Crossing.of(snapshot, site);
        return Stream.of(
                        crossings.stream().flatMap(crossing -> Stream.of(
                                        against(snapshot, crossing), embedding(crossing), notHeld(crossing))
                                .flatMap(flags -> flags)),
                        languages(site, crossings),
                        PackFlags.of(site, crossings),
                        PageFlags.of(snapshot, site))
                .flatMap(flags -> flags);
    }

    private static Stream<Flag> against(Snapshot snapshot, Crossing crossing) {
        if (crossing.decisions().isEmpty()) {
            return crossing.isCovered(snapshot) ? Stream.empty() : Stream.of(noLicense(crossing, subject(crossing)));
        }
        return crossing.decisions().entrySet().stream().flatMap(decided -> decided.getValue().against().stream()
                .map(reason -> against(snapshot, crossing, decided.getKey(), decided.getValue(), reason)));
    }

    private static Flag noLicense(Crossing crossing, Subject subject) {
        String family = crossing.familyName();
        return flag(
                FlagKind.NO_LICENSE,
                crossing,
                subject,
                family + " on " + crossing.site().name() + " has no license",
                "The site asks for " + family + ", and no license covers it.");
    }

    private static Flag against(
            Snapshot snapshot, Crossing crossing, DomainName domain, Decision decision, Reason reason) {
        Subject subject = subject(crossing).license(decision.licenseId());
        String family = crossing.familyName();
        String on = " on " + crossing.site().name();
        String license = decision.licenseId()
                .flatMap(snapshot::license)
                .map(License::name)
                .orElse("");
        if (reason.verdict() == Verdict.NOT_STATED) {
            Subject asked = subject.point(reason.point());
            return flag(
                    FlagKind.NOT_STATED,
                    crossing,
                    reason.point() == Point.DOMAIN ? asked.domain(domain.ascii()) : asked,
                    family + on + ": not stated",
                    license + ": " + reason.text());
        }
        return switch (reason.point()) {
            case COVERAGE -> noLicense(crossing, subject);
            case HOLDER ->
                flag(
                        FlagKind.HELD_BY_ANOTHER_CLIENT,
                        crossing,
                        subject,
                        family + on + ": held by another client",
                        license + ": " + reason.text() + ".");
            case DOMAIN_LIMIT ->
                flag(
                        FlagKind.DOMAINS_OVER_LIMIT,
                        crossing,
                        subject.domain(domain.ascii()),
                        family + ": " + domain.display() + " is over the domain limit",
                        license + ": " + reason.text() + ".");
            case PAGE_VIEWS ->
                flag(
                        FlagKind.PAGE_VIEWS_OVER_LIMIT,
                        crossing,
                        subject,
                        family + on + ": too many page views",
                        license + ": " + reason.text() + ".");
            case ENDS ->
                flag(
                        FlagKind.LICENSE_ENDED,
                        crossing,
                        subject,
                        family + on + ": license ended",
                        license + " " + reason.text() + ", and the site still asks for it.");
            case BEGINS ->
                flag(
                        FlagKind.LICENSE_NOT_BEGUN,
                        crossing,
                        subject,
                        family + on + ": license not begun",
                        license + " " + reason.text() + ".");
            case WEB_USE ->
                flag(
                        FlagKind.WEB_USE_REFUSED,
                        crossing,
                        subject,
                        family + on + ": no web use",
                        license + ": " + reason.text() + ".");
            case DOMAIN ->
                flag(
                        FlagKind.DOMAIN_NOT_PERMITTED,
                        crossing,
                        subject.domain(domain.ascii()),
                        family + ": " + domain.display() + " is not permitted",
                        license + ": " + reason.text() + ".");
            case FORMAT ->
                flag(
                        FlagKind.FORMAT_NOT_PERMITTED,
                        crossing,
                        subject,
                        family + on + ": format not permitted",
                        license + ": " + reason.text() + ".");
            case CONVERTING ->
                flag(
                        FlagKind.CONVERTING_NOT_PERMITTED,
                        crossing,
                        subject,
                        family + on + ": converting not permitted",
                        license + ": " + reason.text() + ", and no WOFF2 from the vendor is held.");
            case CUTTING ->
                flag(
                        FlagKind.SUBSETTING_NOT_PERMITTED,
                        crossing,
                        subject,
                        family + on + ": subsetting not permitted",
                        license + ": " + reason.text() + ", and it covers no more than a part of the variable font.");
            case INLINING ->
                flag(
                        FlagKind.INLINING_NOT_PERMITTED,
                        crossing,
                        subject,
                        family + on + ": inlining not permitted",
                        license + ": " + reason.text() + ", and the site’s fonts go inside its style sheet.");
            case THIRD_PARTY ->
                flag(
                        FlagKind.THIRD_PARTY_NOT_PERMITTED,
                        crossing,
                        subject,
                        family + on + ": third-party hosting not permitted",
                        license + ": " + reason.text() + ", and the site’s fonts are on "
                                + Sentences.listed(crossing.site()
                                        .delivery()
                                        .thirdParties(crossing.site().places()))
                                + ".");
            case RENAMING -> throw new IllegalStateException("no site asks for " + reason.point());
        };
    }

    private static Flag flag(FlagKind kind, Crossing crossing, Subject subject, String title, String reason) {
        String face = crossing.ask().slot().label() + " for "
                + crossing.ask().role().label().toLowerCase(Locale.ROOT);
        return Flag.of(kind, Owner.site(crossing.site().id()), subject, title, reason, Stream.of(face));
    }

    private static Stream<Flag> embedding(Crossing crossing) {
        return crossing.held().stream()
                .filter(file -> file.embedding() == Embedding.Level.RESTRICTED)
                .map(file -> Flag.of(
                        FlagKind.EMBEDDING_DISAGREES,
                        Owner.site(crossing.site().id()),
                        subject(crossing).file(file.id()),
                        crossing.familyName() + ": the file itself forbids embedding",
                        file.name() + " says its embedding is " + Embedding.Level.RESTRICTED.words()
                                + "; the license should say otherwise in writing.",
                        Stream.of(file.name())));
    }

    private static Stream<Flag> notHeld(Crossing crossing) {
        return crossing.isHeld()
                ? Stream.empty()
                : Stream.of(Flag.of(
                        FlagKind.FACE_NOT_HELD,
                        Owner.site(crossing.site().id()),
                        subject(crossing).slot(crossing.ask().slot().key()),
                        crossing.familyName() + " " + crossing.ask().slot().label() + " is not held",
                        crossing.site().name() + " asks for it, and without it " + crossing.withoutIt() + ".",
                        Stream.of(crossing.ask().role().label())));
    }

    /** One flag for each family that lacks characters of the languages that the site's text is in. */
    private static Stream<Flag> languages(Site site, List<Crossing> crossings) {
        Map<String, List<Crossing>> byFamily = crossings.stream()
                .collect(Collectors.groupingBy(
                        crossing -> crossing.ask().familyId(), LinkedHashMap::new, Collectors.toList()));
        return byFamily.values().stream().flatMap(asked -> {
            List<String> lacking = site.delivery().languages().stream()
                    .filter(language -> asked.stream().anyMatch(crossing -> lacks(crossing, language)))
                    .map(LanguageCoverage::name)
                    .toList();
            String languages = Sentences.listed(lacking);
            return lacking.isEmpty()
                    ? Stream.empty()
                    : Stream.of(Flag.of(
                            FlagKind.LANGUAGE_NOT_COVERED,
                            Owner.site(site.id()),
                            subject(asked.get(0)),
                            asked.get(0).familyName() + " lacks characters of " + languages,
                            "Where text of " + site.name() + " in " + languages
                                    + " needs them, browsers take another family.",
                            asked.stream()
                                    .filter(crossing -> site.delivery().languages().stream()
                                            .anyMatch(language -> lacks(crossing, language)))
                                    .map(crossing -> crossing.ask().slot().label())));
        });
    }

    /** Whether the file that a pack takes is known to lack characters of a language that CLDR describes. */
    private static boolean lacks(Crossing crossing, String language) {
        return crossing.taken()
                .flatMap(HeldFile::languages)
                .flatMap(covered -> LanguageCoverage.described(language).map(known -> !covered.contains(known)))
                .orElse(false);
    }

    private static Subject subject(Crossing crossing) {
        return Subject.ofSite(crossing.site().id()).family(crossing.ask().familyId());
    }
}
