package app.unciala.core.flag;

import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Act;
import app.unciala.core.license.Clause;
import app.unciala.core.license.LicenseQuestions;
import app.unciala.core.license.Verdict;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import app.unciala.font.face.UseMarks;
import app.unciala.font.face.UseMarks.Mark;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What is wrong with a family itself, at whatever site it is used. */
final class FamilyFlags {
    private FamilyFlags() {}

    static Stream<Flag> of(Snapshot snapshot, Family family) {
        return Stream.of(
                        noLicense(snapshot, family),
                        clashes(family),
                        webFormats(snapshot, family),
                        fewCharacters(family),
                        marks(snapshot, family),
                        family.files().stream().filter(file -> !file.intact()).map(file -> damaged(family, file)))
                .flatMap(flags -> flags);
    }

    /** A family that no site asks for yet is flagged too, since the next site will. */
    private static Stream<Flag> noLicense(Snapshot snapshot, Family family) {
        boolean covered = !snapshot.licensesCovering(family.id()).isEmpty();
        boolean asked = !snapshot.sitesAsking(family.id()).isEmpty();
        return covered || asked || family.files().isEmpty()
                ? Stream.empty()
                : Stream.of(Flag.of(
                        FlagKind.NO_LICENSE,
                        Owner.family(family.id()),
                        Subject.NOTHING.family(family.id()),
                        family.name() + " has no license",
                        "Files are held, but no license says what they may be used for.",
                        Stream.empty()));
    }

    private static Stream<Flag> clashes(Family family) {
        return bySlot(family).filter(files -> drawings(files) > 1).map(files -> {
            Slot slot = files.get(0).slot();
            return Flag.of(
                            FlagKind.SLOT_CLASH,
                            Owner.family(family.id()),
                            Subject.NOTHING.family(family.id()).slot(slot.key()),
                            family.name() + " " + slot.label() + " has " + drawings(files) + " drawings",
                            "Two versions claim one slot; sites get whichever comes first.",
                            files.stream().map(HeldFile::name))
                    .about(
                            List.of(family.id()),
                            files.stream().map(HeldFile::id).toList());
        });
    }

    /** A slot that some site asks for, of which no WOFF2 is held. */
    private static Stream<Flag> webFormats(Snapshot snapshot, Family family) {
        return bySlot(family)
                .filter(files -> files.stream().noneMatch(file -> file.format() == FontFormat.WOFF2))
                .flatMap(files -> {
                    HeldFile source = files.get(0);
                    return snapshot.sitesAsking(family.id()).stream()
                            .filter(site -> site.asksFor(family.id(), source.slot()))
                            .findFirst()
                            .stream()
                            .map(site -> webFormat(snapshot, family, source, site));
                });
    }

    private static Flag webFormat(Snapshot snapshot, Family family, HeldFile source, Site site) {
        boolean refused = LicenseQuestions.converting(
                                snapshot.licensesCovering(family.id()), family.id(), source.slot(), snapshot.today())
                        .verdict()
                == Verdict.REFUSED;
        Flag flag = Flag.of(
                        FlagKind.WEB_FORMAT_NOT_HELD,
                        Owner.family(family.id()),
                        Subject.NOTHING.family(family.id()).slot(source.slot().key()),
                        family.name() + " " + source.slot().label() + " has no WOFF2",
                        site.name() + " asks for it, and only "
                                + source.format().label() + " is held."
                                + (refused ? " Its license refuses converting, so the vendor has to supply it." : ""),
                        Stream.of(source.name()))
                .about(List.of(family.id()), List.of(source.id()));
        return refused ? flag.offering(NextAction.ADD_FILES) : flag;
    }

    /** A face with less than half the characters that another face of the family has. */
    private static Stream<Flag> fewCharacters(Family family) {
        int most = family.files().stream().mapToInt(HeldFile::codePoints).max().orElse(0);
        return bySlot(family).filter(files -> 2 * characters(files) < most).map(files -> {
            Slot slot = files.get(0).slot();
            return Flag.of(
                            FlagKind.FEW_CHARACTERS,
                            Owner.family(family.id()),
                            Subject.NOTHING.family(family.id()).slot(slot.key()),
                            family.name() + " " + slot.label() + " has few characters",
                            Sentences.count(characters(files), "character", "characters")
                                    + " beside " + Sentences.count(most, "character", "characters")
                                    + " in another face; it may be a subset.",
                            files.stream().map(HeldFile::name))
                    .about(
                            List.of(family.id()),
                            files.stream().map(HeldFile::id).toList());
        });
    }

    private static int characters(List<HeldFile> files) {
        return files.stream().mapToInt(HeldFile::codePoints).max().orElse(0);
    }

    /**
     * Files that say they are not for general use. A license that grants web use answers what they say of use, but trial
     * and demo files are not the fonts that it covers.
     */
    private static Stream<Flag> marks(Snapshot snapshot, Family family) {
        return bySlot(family)
                .flatMap(files -> files.stream()
                        .filter(file -> file.mark().isPresent() && !file.madeHere())
                        .filter(file -> isForTrying(file.mark().get()) || !mayBeUsed(snapshot, family, file.slot()))
                        .findFirst()
                        .stream())
                .map(file -> marked(family, file, file.mark().orElseThrow()));
    }

    private static Flag marked(Family family, HeldFile file, Mark mark) {
        Flag flag = Flag.of(
                        FlagKind.MARKED_FILE,
                        Owner.family(family.id()),
                        Subject.NOTHING.family(family.id()).slot(file.slot().key()),
                        family.name() + " " + file.slot().label() + " "
                                + mark.kind().words(),
                        "Its " + mark.source() + " reads “" + mark.text() + "”. "
                                + (isForTrying(mark)
                                        ? "Put the licensed file in its place before it goes on a site."
                                        : "Ask the vendor, or record the license that permits it."),
                        Stream.of(file.name()))
                .about(List.of(family.id()), List.of(file.id()));
        return isForTrying(mark) ? flag : flag.offering(NextAction.RECORD_LICENSE);
    }

    private static boolean isForTrying(Mark mark) {
        return mark.kind() == UseMarks.Kind.TRIAL || mark.kind() == UseMarks.Kind.DEMO;
    }

    private static boolean mayBeUsed(Snapshot snapshot, Family family, Slot slot) {
        return snapshot.licensesCovering(family.id()).stream()
                .anyMatch(license -> license.isFor(family.id(), slot) && license.clause(Act.SERVE) == Clause.GRANTED);
    }

    private static Flag damaged(Family family, HeldFile file) {
        return Flag.of(
                FlagKind.STORED_FILE_DAMAGED,
                Owner.family(family.id()),
                Subject.NOTHING.family(family.id()).file(file.id()),
                family.name() + " " + file.slot().label() + ": the stored file is damaged",
                file.name() + " is no longer what was taken in. Drop the same file again, or restore a backup.",
                Stream.of(file.name()));
    }

    private static Stream<List<HeldFile>> bySlot(Family family) {
        return family.files().stream()
                .collect(Collectors.groupingBy(file -> file.slot().key(), TreeMap::new, Collectors.toList()))
                .values()
                .stream();
    }

    private static long drawings(List<HeldFile> files) {
        return files.stream().map(HeldFile::drawing).distinct().count();
    }
}
