package app.unciala.core.flag;

import app.unciala.core.check.ThirdParties.ThirdParty;
import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.LatestCheck.Shown;
import app.unciala.core.flag.LatestCheck.Trouble;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.Verdict;
import app.unciala.core.page.PageFinding;
import app.unciala.core.sentence.Sentences;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What the latest check of a site's pages found: texts that are given something else than they ask for, fonts that
 * nobody recorded or that are not allowed there, and hosts of others. One flag says a kind of trouble for all pages.
 */
final class PageFlags {
    private static final int MOST_EVIDENCE = 50;

    private PageFlags() {}

    static Stream<Flag> of(Snapshot snapshot, Site site) {
        return site.check().stream().flatMap(check -> Stream.of(
                        troubles(site, check),
                        RoleFlags.of(site, check),
                        wrongFiles(site, check),
                        thirdParties(site, check),
                        notRecorded(site, check),
                        notAllowed(snapshot, site, check))
                .flatMap(flags -> flags));
    }

    private static Optional<FlagKind> kindOf(PageFinding.Kind kind) {
        return Optional.ofNullable(
                switch (kind) {
                    case FAKED_BOLD, FAKED_ITALIC -> FlagKind.FAKED_ON_PAGE;
                    case OWN_COPY_BROKEN -> FlagKind.OWN_COPY_BROKEN;
                    case UNDECLARED_FAMILY -> FlagKind.NAME_NOT_DECLARED;
                    case UNREACHABLE, OTHER_ORIGIN, MIXED_CONTENT, NOT_A_STYLE_SHEET -> FlagKind.FILE_NOT_REACHED;
                    case NOT_A_FONT, SHARE_LINK, UNUSABLE_FORMAT, REFUSED_FONT -> FlagKind.NOT_A_FONT_THERE;
                    case FALLBACK, OTHER_WEIGHT, OTHER_SLOPE -> FlagKind.GIVEN_OTHERWISE;
                    case MISSING_CHARACTERS -> FlagKind.CHARACTERS_ON_PAGE;
                    case NO_GENERIC -> FlagKind.NO_GENERIC_ON_PAGE;
                    case DUPLICATE_FACE -> FlagKind.TWICE_ON_PAGE;
                    case UNUSED_FACE, UNUSED_PRELOAD -> FlagKind.NOT_USED_ON_PAGES;
                    // Third parties are told of by host, and the rest on the page only.
                    case THIRD_PARTY, INSECURE_URL, WRONG_MEDIA_TYPE, NOT_COMPRESSED, GIVEN_UP, NO_CACHING -> null;
                });
    }

    private static Stream<Flag> troubles(Site site, LatestCheck check) {
        Map<FlagKind, List<Trouble>> byKind = new EnumMap<>(FlagKind.class);
        for (Trouble trouble : check.troubles()) {
            kindOf(trouble.kind())
                    .filter(kind -> trouble.kind() != PageFinding.Kind.UNUSED_FACE || isOnAll(trouble, check))
                    .ifPresent(kind -> byKind.computeIfAbsent(kind, any -> new ArrayList<>())
                            .add(trouble));
        }
        return byKind.entrySet().stream().map(found -> troubled(site, check, found.getKey(), found.getValue()));
    }

    /** A face that one page does not use may be what another needs. */
    private static boolean isOnAll(Trouble unused, LatestCheck check) {
        return check.troubles().stream()
                        .filter(other ->
                                other.kind() == unused.kind() && other.message().equals(unused.message()))
                        .map(Trouble::page)
                        .distinct()
                        .count()
                == check.pages();
    }

    private static Flag troubled(Site site, LatestCheck check, FlagKind kind, List<Trouble> troubles) {
        Set<String> pages = troubles.stream().map(Trouble::page).collect(Collectors.toSet());
        String title = site.name()
                + switch (kind) {
                    case FAKED_ON_PAGE -> ": browsers fake a bold or an italic";
                    case OWN_COPY_BROKEN -> ": its own copy of a font is broken, and a third-party host’s is shown";
                    case NAME_NOT_DECLARED -> " asks for a family that nothing declares";
                    case FILE_NOT_REACHED -> " has files that visitors can’t load";
                    case NOT_A_FONT_THERE -> ": something else stands where a font should be";
                    case GIVEN_OTHERWISE -> " gives other faces than are asked";
                    case CHARACTERS_ON_PAGE -> " has texts whose fonts lack characters";
                    case NO_GENERIC_ON_PAGE -> " has a stack without a generic family";
                    case TWICE_ON_PAGE -> " declares or fetches a face twice";
                    default -> " delivers faces that no text uses";
                };
        return flag(
                kind,
                site,
                Subject.ofSite(site.id()),
                title,
                checked(check) + " found it on "
                        + (pages.size() == 1 ? pages.iterator().next() : Sentences.count(pages.size(), "page", "pages"))
                        + ".",
                troubles.stream().map(trouble -> trouble.page() + ": " + trouble.message()));
    }

    /** What was put there by a pack is told by the pack, so that it is one flag whichever page asks for it. */
    private static Stream<Flag> wrongFiles(Site site, LatestCheck check) {
        return check.wrongFiles().isEmpty()
                ? Stream.empty()
                : Stream.of(flag(
                        FlagKind.WRONG_FILE_THERE,
                        site,
                        Subject.ofSite(site.id()),
                        site.name() + " has another file at the address of a font",
                        checked(check) + " found " + check.wrongFiles().get(0)
                                + more(check.wrongFiles().size() - 1),
                        check.wrongFiles().stream()));
    }

    private static String more(int others) {
        return others == 0
                ? ""
                : " So " + (others == 1 ? "is " : "are ") + Sentences.count(others, "other", "others") + ".";
    }

    private static Stream<Flag> thirdParties(Site site, LatestCheck check) {
        return check.thirdParties().stream()
                .map(other -> flag(
                        FlagKind.THIRD_PARTY,
                        site,
                        Subject.ofSite(site.id()).domain(other.host()),
                        site.name() + (isFetched(other) ? " fetches from " : " gets in touch with ") + other.host(),
                        checked(check) + " found it. The host is sent the address of every visitor"
                                + (isFetched(other)
                                        ? "; "
                                                + Sentences.listed(Stream.of(
                                                                counted(
                                                                        other.styleSheets(),
                                                                        "style sheet",
                                                                        "style sheets"),
                                                                counted(other.fonts(), "font", "fonts"))
                                                        .flatMap(Optional::stream)
                                                        .toList())
                                                + " could be the site’s own."
                                        : ", though no font comes from it.")
                                + paints(other),
                        Stream.of(other.styleSheets(), other.fonts(), other.connections(), other.scripts())
                                .flatMap(List::stream)));
    }

    private static boolean isFetched(ThirdParty other) {
        return !other.styleSheets().isEmpty() || !other.fonts().isEmpty();
    }

    /** Whether its links can go at once, or something has to take the place of its fonts first. */
    private static String paints(ThirdParty other) {
        return other.texts() == 0
                ? " No text is shown in its fonts: what loads them can be removed."
                : " " + Sentences.count(other.texts(), "text is", "texts are") + " shown in its fonts.";
    }

    private static Optional<String> counted(List<String> addresses, String one, String many) {
        return addresses.isEmpty() ? Optional.empty() : Optional.of(Sentences.count(addresses.size(), one, many));
    }

    private static Stream<Flag> notRecorded(Site site, LatestCheck check) {
        Map<String, List<Shown>> byDrawing = check.shown().stream()
                .filter(shown -> shown.familyId().isEmpty())
                .collect(Collectors.groupingBy(Shown::digest, TreeMap::new, Collectors.toList()));
        return byDrawing.entrySet().stream()
                .map(found -> flag(
                        FlagKind.FOUND_NOT_RECORDED,
                        site,
                        Subject.ofSite(site.id()).digest(found.getKey()),
                        found.getValue().get(0).name() + " on " + site.name() + " is not in the inventory",
                        checked(check) + " found it painting text, and nothing is known of its license.",
                        found.getValue().stream().map(shown -> shown.page() + ": " + shown.url())));
    }

    /** The faces that the site’s text roles ask for are decided there; this is what pages show besides. */
    private static Stream<Flag> notAllowed(Snapshot snapshot, Site site, LatestCheck check) {
        Map<String, List<Shown>> byFamily = check.shown().stream()
                .filter(shown -> shown.familyId().isPresent() && !isAsked(site, shown))
                .collect(Collectors.groupingBy(
                        shown -> shown.familyId().get() + " " + shown.host().ascii(),
                        TreeMap::new,
                        Collectors.toList()));
        return byFamily.values().stream().flatMap(shown -> notAllowed(snapshot, site, check, shown).stream());
    }

    /** Whether a face is asked for as it is shown: from the site’s own hosts, so that no act is added by a third party. */
    private static boolean isAsked(Site site, Shown shown) {
        return !shown.fromOthers()
                && site.places().stream().anyMatch(place -> place.host().equals(shown.host()))
                && shown.familyId()
                        .filter(family -> site.asksFor(family, shown.slot()))
                        .isPresent();
    }

    private static Optional<Flag> notAllowed(Snapshot snapshot, Site site, LatestCheck check, List<Shown> shown) {
        Shown first = shown.get(0);
        String familyId = first.familyId().orElseThrow();
        List<Decision> refused = shown.stream()
                .flatMap(one -> one.decision(snapshot, site).stream())
                .filter(decision -> decision.verdict() != Verdict.ALLOWED)
                .toList();
        String family = snapshot.family(familyId).map(Family::name).orElse(first.name());
        return refused.isEmpty()
                ? Optional.empty()
                : Optional.of(flag(
                        FlagKind.FOUND_NOT_ALLOWED,
                        site,
                        Subject.ofSite(site.id())
                                .family(familyId)
                                .domain(first.host().ascii()),
                        family + " on " + first.host().display() + " is not allowed",
                        checked(check) + " found it painting text: "
                                + refused.get(0).against().stream()
                                        .findFirst()
                                        .map(Reason::text)
                                        .orElse("no license says that it may")
                                + ".",
                        shown.stream().map(one -> one.page() + ": " + one.url())));
    }

    private static String checked(LatestCheck check) {
        return "The check of " + Sentences.day(check.on());
    }

    private static Flag flag(
            FlagKind kind, Site site, Subject subject, String title, String reason, Stream<String> evidence) {
        return Flag.of(
                kind,
                Owner.site(site.id()),
                subject,
                title,
                reason,
                evidence.distinct().limit(MOST_EVIDENCE));
    }
}
