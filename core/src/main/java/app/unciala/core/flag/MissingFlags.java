package app.unciala.core.flag;

import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.License;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Asked or paid for, but not held. */
final class MissingFlags {
    private MissingFlags() {}

    static void addTo(List<Flag> flags, Snapshot snapshot, List<Crossing> crossings) {
        addFaces(flags, crossings);
        addWebFormats(flags, crossings);
        snapshot.licenses().forEach(license -> addNotCollected(flags, snapshot, license));
    }

    private static void addFaces(List<Flag> flags, List<Crossing> crossings) {
        Map<Subject, Crossing> first = new LinkedHashMap<>();
        Map<Subject, Set<String>> roles = new LinkedHashMap<>();
        for (Crossing crossing : crossings) {
            if (!crossing.isHeld()) {
                Subject subject = Subject.none()
                        .site(crossing.site().id())
                        .family(crossing.ask().familyId())
                        .slot(crossing.ask().slot().key());
                first.putIfAbsent(subject, crossing);
                roles.computeIfAbsent(subject, s -> new LinkedHashSet<>())
                        .add(crossing.ask().role().label());
            }
        }
        first.forEach((subject, crossing) -> flags.add(Flag.of(
                FlagKind.FACE_NOT_HELD,
                subject,
                crossing.familyName() + " " + crossing.ask().slot().label() + " is not held",
                crossing.site().name() + " asks for it, and without it " + crossing.withoutIt() + ".",
                List.copyOf(roles.get(subject)))));
    }

    private static void addWebFormats(List<Flag> flags, List<Crossing> crossings) {
        Set<Subject> seen = new LinkedHashSet<>();
        for (Crossing crossing : crossings) {
            if (!crossing.isHeld() || crossing.isHeldForWeb()) {
                continue;
            }
            HeldFile source = crossing.held().get(0);
            Subject subject = Subject.none()
                    .family(crossing.ask().familyId())
                    .slot(source.slot().key())
                    .files(List.of(source.id()));
            if (seen.add(subject)) {
                flags.add(Flag.of(
                        FlagKind.WEB_FORMAT_NOT_HELD,
                        subject,
                        crossing.familyName() + " " + source.slot().label() + " has no WOFF2",
                        crossing.site().name() + " asks for it, and only "
                                + source.format().label() + " is held.",
                        List.of(source.name())));
            }
        }
    }

    private static void addNotCollected(List<Flag> flags, Snapshot snapshot, License license) {
        if (license.endedBy(snapshot.today())) {
            return;
        }
        for (Coverage coverage : license.covers()) {
            Optional<Family> family = snapshot.family(coverage.familyId());
            if (family.isEmpty()) {
                continue;
            }
            List<HeldFile> files = family.get().files();
            List<String> lacking = coverage.faces().stream()
                    .filter(face -> files.stream().noneMatch(file -> file.slot().serves(face)))
                    .map(face -> face.label())
                    .toList();
            if (files.isEmpty() || !lacking.isEmpty()) {
                flags.add(Flag.of(
                        FlagKind.NOT_COLLECTED,
                        Subject.none().license(Optional.of(license.id())).family(coverage.familyId()),
                        family.get().name() + ": paid for and not collected",
                        license.name() + " covers faces whose files are not held.",
                        lacking));
            }
        }
    }
}
