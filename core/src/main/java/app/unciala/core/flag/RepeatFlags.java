package app.unciala.core.flag;

import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.Placed;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.FontFormat;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Held twice, in one family or in several. */
final class RepeatFlags {
    private RepeatFlags() {}

    static Stream<Flag> ofBytes(Owner owner, List<Placed> files) {
        return files.size() < 2
                ? Stream.empty()
                : Stream.of(flag(
                        FlagKind.SAME_BYTES,
                        owner,
                        owner.id(),
                        files,
                        " is recorded twice",
                        "The same bytes stand in " + files.size() + " places; one is enough."));
    }

    /** One flag for each format in which different files hold the drawing; else one if families share it. */
    static Stream<Flag> ofDrawing(Owner owner, List<Placed> files) {
        List<Flag> inOneFormat = inOneFormat(owner, files).toList();
        return inOneFormat.isEmpty() ? twoNames(owner, files) : inOneFormat.stream();
    }

    private static Stream<Flag> twoNames(Owner owner, List<Placed> files) {
        List<String> names = files.stream()
                .map(placed -> placed.family().name())
                .distinct()
                .sorted()
                .toList();
        return names.size() < 2
                ? Stream.empty()
                : Stream.of(flag(
                        FlagKind.TWO_NAMES,
                        owner,
                        owner.id(),
                        files,
                        " is held under " + names.size() + " names",
                        Sentences.listed(names) + " have the same outlines in different formats."));
    }

    private static Stream<Flag> inOneFormat(Owner owner, List<Placed> files) {
        return files.stream()
                .collect(Collectors.groupingBy(placed -> placed.file().format(), TreeMap::new, Collectors.toList()))
                .entrySet()
                .stream()
                .filter(entry -> entry.getValue().stream()
                                .map(placed -> placed.file().sha256())
                                .distinct()
                                .count()
                        > 1)
                .map(entry -> sameDrawing(owner, entry.getKey(), entry.getValue()));
    }

    private static Flag sameDrawing(Owner owner, FontFormat format, List<Placed> files) {
        return flag(
                FlagKind.SAME_DRAWING,
                owner,
                owner.id() + "." + format.key(),
                files,
                " is held twice",
                files.size() + " " + format.label()
                        + " files have the same outlines; they differ only in names, dates or packing.");
    }

    private static Flag flag(
            FlagKind kind, Owner owner, String digest, List<Placed> files, String title, String reason) {
        Placed first = files.get(0);
        return Flag.of(
                        kind,
                        owner,
                        Subject.NOTHING.digest(digest),
                        first.family().name() + " " + first.file().slot().label() + title,
                        reason,
                        files.stream().map(Placed::words))
                .about(
                        files.stream().map(placed -> placed.family().id()).toList(),
                        files.stream().map(placed -> placed.file().id()).toList());
    }
}
