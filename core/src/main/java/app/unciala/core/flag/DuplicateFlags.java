package app.unciala.core.flag;

import app.unciala.core.face.Slot;
import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Held twice. */
final class DuplicateFlags {
    private record Placed(Family family, HeldFile file) {
        String words() {
            return file.name() + " in " + family.name() + " " + file.slot().label();
        }
    }

    private DuplicateFlags() {}

    static void addTo(List<Flag> flags, Snapshot snapshot) {
        List<Placed> files = new ArrayList<>();
        snapshot.families().forEach(family -> family.files().forEach(file -> files.add(new Placed(family, file))));
        for (List<Placed> same : repeats(files, placed -> placed.file().sha256())) {
            flags.add(flag(
                    FlagKind.SAME_BYTES,
                    same,
                    " is recorded twice",
                    "The same bytes stand in " + same.size() + " places; one is enough."));
        }
        for (List<Placed> same :
                repeats(files, placed -> placed.file().drawing() + placed.file().format())) {
            if (same.stream().map(placed -> placed.file().sha256()).distinct().count() > 1) {
                flags.add(flag(
                        FlagKind.SAME_DRAWING,
                        same,
                        " is held twice",
                        "Two " + same.get(0).file().format().label()
                                + " files hold the same drawing; they differ only in names, dates or packing."));
            }
        }
        snapshot.families().forEach(family -> addClashes(flags, family));
    }

    private static void addClashes(List<Flag> flags, Family family) {
        Map<Slot, List<HeldFile>> slots = family.files().stream()
                .collect(Collectors.groupingBy(HeldFile::slot, LinkedHashMap::new, Collectors.toList()));
        slots.forEach((slot, files) -> {
            List<String> drawings =
                    files.stream().map(HeldFile::drawing).distinct().toList();
            if (drawings.size() > 1) {
                flags.add(Flag.of(
                        FlagKind.SLOT_CLASH,
                        Subject.none()
                                .family(family.id())
                                .slot(slot.key())
                                .files(files.stream().map(HeldFile::id).toList()),
                        family.name() + " " + slot.label() + " has " + drawings.size() + " drawings",
                        "Two versions claim one slot; sites get whichever comes first.",
                        files.stream().map(HeldFile::name).toList()));
            }
        });
    }

    private static Flag flag(FlagKind kind, List<Placed> same, String title, String reason) {
        Placed first = same.get(0);
        return Flag.of(
                kind,
                Subject.none()
                        .family(first.family().id())
                        .slot(first.file().slot().key())
                        .files(same.stream().map(placed -> placed.file().id()).toList()),
                first.family().name() + " " + first.file().slot().label() + title,
                reason,
                same.stream().map(Placed::words).toList());
    }

    private static List<List<Placed>> repeats(List<Placed> files, Function<Placed, String> key) {
        return files.stream()
                .collect(Collectors.groupingBy(key, LinkedHashMap::new, Collectors.toList()))
                .values()
                .stream()
                .filter(same -> same.size() > 1)
                .toList();
    }
}
