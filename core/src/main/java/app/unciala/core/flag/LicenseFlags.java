package app.unciala.core.flag;

import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.License;
import app.unciala.core.license.Period;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What is wrong with a license itself: its end, its proof, what it paid for. */
final class LicenseFlags {
    private LicenseFlags() {}

    static Stream<Flag> of(Snapshot snapshot, License license) {
        Subject subject = Subject.NOTHING.license(Optional.of(license.id()));
        Owner owner = Owner.license(license.id());
        Stream.Builder<Flag> flags = Stream.builder();
        if (license.period().endsSoon(snapshot.today())) {
            flags.add(Flag.of(
                    FlagKind.LICENSE_ENDING,
                    owner,
                    subject,
                    license.name() + " ends soon",
                    ending(license.period()),
                    Stream.empty()));
        }
        boolean ended = license.endedBy(snapshot.today());
        if (!license.hasProof() && !ended) {
            flags.add(Flag.of(
                    FlagKind.NO_PROOF,
                    owner,
                    subject,
                    license.name() + " has no proof",
                    "Neither the agreement nor a proof of purchase is on record.",
                    Stream.empty()));
        }
        if (!ended) {
            license.covers().forEach(coverage -> snapshot.family(coverage.familyId())
                    .flatMap(family -> notCollected(license, coverage, family))
                    .ifPresent(flags::add));
        }
        return flags.build();
    }

    private static String ending(Period period) {
        LocalDate last = period.ends().orElseThrow();
        return period.renews()
                ? "It renews by itself after " + Sentences.day(last) + ", unless it is canceled before."
                : "It runs until " + Sentences.day(last) + ".";
    }

    private static Optional<Flag> notCollected(License license, Coverage coverage, Family family) {
        List<HeldFile> files = family.files();
        List<String> lacking = coverage.faces().stream()
                .filter(face -> files.stream().noneMatch(file -> file.slot().serves(face)))
                .map(Slot::label)
                .toList();
        return !files.isEmpty() && lacking.isEmpty()
                ? Optional.empty()
                : Optional.of(Flag.of(
                        FlagKind.NOT_COLLECTED,
                        Owner.license(license.id()),
                        Subject.NOTHING.license(Optional.of(license.id())).family(family.id()),
                        family.name() + ": paid for and not collected",
                        license.name() + " covers faces whose files are not held.",
                        lacking.stream()));
    }
}
