package app.unciala.core.flag;

import app.unciala.core.domain.DomainName;
import app.unciala.core.face.Embedding;
import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.License;
import app.unciala.core.license.Verdict;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Held or used but not allowed. */
final class UnlicensedFlags {
    /** What all faces of one flag have in common; the faces themselves become its evidence. */
    private record Key(FlagKind kind, Subject subject, String title, String reason) {}

    private UnlicensedFlags() {}

    static void addTo(List<Flag> flags, Snapshot snapshot, List<Crossing> crossings) {
        Map<Key, Set<String>> gathered = new LinkedHashMap<>();
        for (Crossing crossing : crossings) {
            crossing.decisions().forEach((domain, decision) -> {
                for (Reason reason : decision.against()) {
                    Key key = key(snapshot, crossing, domain, decision, reason);
                    gathered.computeIfAbsent(key, k -> new LinkedHashSet<>())
                            .add(crossing.ask().slot().label() + " for "
                                    + crossing.ask().role().label().toLowerCase(java.util.Locale.ROOT));
                }
            });
        }
        gathered.forEach((key, faces) ->
                flags.add(Flag.of(key.kind(), key.subject(), key.title(), key.reason(), List.copyOf(faces))));
        addEmbedding(flags, crossings);
        snapshot.families().forEach(family -> addFamily(flags, snapshot, family, crossings));
        snapshot.licenses().forEach(license -> addLicense(flags, snapshot, license));
    }

    private static Key key(Snapshot snapshot, Crossing crossing, DomainName domain, Decision decision, Reason reason) {
        Subject subject = Subject.none()
                .site(crossing.site().id())
                .family(crossing.ask().familyId())
                .license(decision.licenseId());
        String family = crossing.familyName();
        String license = decision.licenseId()
                .flatMap(id -> snapshot.licenses().stream()
                        .filter(l -> l.id().equals(id))
                        .findFirst())
                .map(License::name)
                .orElse("");
        String on = " on " + crossing.site().name();
        if (reason.verdict() == Verdict.NOT_STATED) {
            return new Key(
                    FlagKind.NOT_STATED,
                    subject.slot(reason.point().name()),
                    family + on + ": not stated",
                    license + ": " + reason.text());
        }
        return switch (reason.point()) {
            case COVERAGE ->
                new Key(
                        FlagKind.NO_LICENSE,
                        subject,
                        family + on + " has no license",
                        "The site asks for " + family + ", and no license covers it.");
            case ENDS ->
                new Key(
                        FlagKind.LICENSE_ENDED,
                        subject,
                        family + on + ": license ended",
                        license + " " + reason.text() + ", and the site still asks for it.");
            case BEGINS ->
                new Key(
                        FlagKind.LICENSE_NOT_BEGUN,
                        subject,
                        family + on + ": license not begun",
                        license + " " + reason.text() + ".");
            case WEB_USE ->
                new Key(
                        FlagKind.WEB_USE_REFUSED,
                        subject,
                        family + on + ": no web use",
                        license + ": " + reason.text() + ".");
            case DOMAIN ->
                new Key(
                        FlagKind.DOMAIN_NOT_PERMITTED,
                        subject.domain(domain.ascii()),
                        family + ": " + domain.display() + " is not permitted",
                        license + ": " + reason.text() + ".");
            case FORMAT ->
                new Key(
                        FlagKind.FORMAT_NOT_PERMITTED,
                        subject,
                        family + on + ": format not permitted",
                        license + ": " + reason.text() + ".");
            case CONVERTING ->
                new Key(
                        FlagKind.CONVERTING_NOT_PERMITTED,
                        subject,
                        family + on + ": converting not permitted",
                        license + ": " + reason.text() + ", and no WOFF2 from the vendor is held.");
        };
    }

    private static void addEmbedding(List<Flag> flags, List<Crossing> crossings) {
        Set<String> seen = new LinkedHashSet<>();
        for (Crossing crossing : crossings) {
            crossing.held().stream()
                    .filter(file -> file.embedding() == Embedding.Level.RESTRICTED)
                    .filter(file -> seen.add(crossing.site().id() + file.id()))
                    .forEach(file -> flags.add(Flag.of(
                            FlagKind.EMBEDDING_DISAGREES,
                            Subject.none()
                                    .site(crossing.site().id())
                                    .family(crossing.ask().familyId())
                                    .files(List.of(file.id())),
                            crossing.familyName() + ": the file itself forbids embedding",
                            file.name() + " says its embedding is " + Embedding.Level.RESTRICTED.words()
                                    + "; the license should say otherwise in writing.",
                            List.of(file.name()))));
        }
    }

    /** A family that no site asks for yet is flagged too, since the next site will. */
    private static void addFamily(List<Flag> flags, Snapshot snapshot, Family family, List<Crossing> crossings) {
        boolean covered = snapshot.licenses().stream()
                .flatMap(license -> license.covers().stream())
                .anyMatch(coverage -> coverage.familyId().equals(family.id()));
        boolean asked = crossings.stream().anyMatch(c -> c.ask().familyId().equals(family.id()));
        if (!covered && !asked && !family.files().isEmpty()) {
            flags.add(Flag.of(
                    FlagKind.NO_LICENSE,
                    Subject.none().family(family.id()),
                    family.name() + " has no license",
                    "Files are held, but no license says what they may be used for.",
                    List.of()));
        }
    }

    private static void addLicense(List<Flag> flags, Snapshot snapshot, License license) {
        Subject subject = Subject.none().license(Optional.of(license.id()));
        if (license.endsSoon(snapshot.today())) {
            long days = ChronoUnit.DAYS.between(snapshot.today(), license.ends().orElseThrow());
            flags.add(Flag.of(
                    FlagKind.LICENSE_ENDING,
                    subject,
                    license.name() + " ends soon",
                    "It runs until " + license.ends().get() + ", "
                            + (days == 0 ? "today" : "in " + days + (days == 1 ? " day" : " days")) + ".",
                    List.of()));
        }
        if (!license.hasProof() && !license.endedBy(snapshot.today())) {
            flags.add(Flag.of(
                    FlagKind.NO_PROOF,
                    subject,
                    license.name() + " has no proof",
                    "Neither the agreement nor a proof of purchase is on record.",
                    List.of()));
        }
    }
}
