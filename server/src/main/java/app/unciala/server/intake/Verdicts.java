package app.unciala.server.intake;

import app.unciala.core.sentence.Sentences;
import app.unciala.font.drawing.Sketch;
import app.unciala.font.face.FontVersion;
import app.unciala.server.family.HeldFamilies.Place;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.inventory.SlotColumns;
import app.unciala.server.inventory.Texts;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Judges the files of an intake, one after another, against the inventory and against the files before them. Everything
 * is looked up by key, so that one pass over an intake takes time by its length only.
 */
final class Verdicts {
    record Judged(Verdict verdict, String because) {}

    /** What a verdict on a file is made from, with the verdict it has so far. */
    record Judgeable(
            String id,
            String path,
            Kind kind,
            String reason,
            String sha256,
            String drawing,
            String format,
            String family,
            String familyKey,
            SlotColumns slot,
            int codePoints,
            String version,
            String contradiction,
            byte @Nullable [] sketch,
            @Nullable String nearFileId,
            double nearAlike,
            @Nullable Boolean included,
            String verdict,
            String because,
            boolean goesIn) {
        Place toPlace() {
            return new Place(
                    id,
                    family,
                    familyKey,
                    slot.toSlot(),
                    path,
                    sha256,
                    drawing,
                    format,
                    codePoints,
                    version,
                    Optional.ofNullable(sketch).map(Sketch::read));
        }

        /** Web files are judged after the desktop files that they were made from. */
        int rank() {
            return format.equals("ttf") || format.equals("otf") ? 0 : 1;
        }
    }

    /** From here on two drawings are the same face in two versions, or one cut down from the other. */
    private static final double SAME_FACE = 0.9;

    /** From here on a face under another name is taken for a copy. */
    static final double COPY = 0.97;

    /** A copy with fewer characters than this part of what is held was cut down. */
    private static final double CUT_DOWN = 0.95;

    private final Map<String, Place> byId = new HashMap<>();
    private final Set<String> heldFamilies = new HashSet<>();
    private final Map<String, Place> bySha256 = new HashMap<>();
    private final Map<String, List<Place>> byDrawing = new HashMap<>();
    private final Map<String, List<Place>> bySlot = new HashMap<>();

    Verdicts(Collection<Place> held) {
        held.forEach(this::add);
        held.forEach(file -> {
            byId.put(file.id(), file);
            heldFamilies.add(file.familyKey());
        });
    }

    private void add(Place file) {
        bySha256.putIfAbsent(file.sha256(), file);
        byDrawing.computeIfAbsent(file.drawing(), key -> new ArrayList<>()).add(file);
        bySlot.computeIfAbsent(slotKey(file), key -> new ArrayList<>()).add(file);
    }

    /** Judges the next file, and counts it as held for those after it if it goes in. */
    Judged next(Judgeable item) {
        Judged judged =
                switch (item.kind()) {
                    case FONT -> font(item, item.toPlace());
                    case LICENSE_TEXT -> new Judged(Verdict.LICENSE_TEXT, "license text in the archive");
                    case README -> new Judged(Verdict.README, "text in the archive");
                    case NOT_A_FONT -> new Judged(Verdict.NOT_A_FONT, item.reason());
                    case DAMAGED -> new Judged(Verdict.DAMAGED, item.reason());
                };
        if (goesIn(item, judged)) {
            add(item.toPlace());
        }
        return judged;
    }

    /** Whether a file goes in: as a person decided, or else as its verdict says; nothing but fonts ever does. */
    static boolean goesIn(Judgeable item, Judged judged) {
        Boolean decided = item.included();
        return item.kind() == Kind.FONT
                && (decided != null ? decided : judged.verdict().goesIn());
    }

    private Judged font(Judgeable read, Place item) {
        Place twin = bySha256.get(item.sha256());
        if (twin != null) {
            return new Judged(Verdict.SAME_BYTES, "the same bytes as " + name(twin));
        }
        return drawnAlready(item)
                .or(() -> otherDrawing(item))
                .or(() -> contradiction(read))
                .or(() -> copy(read))
                .orElseGet(() -> fresh(item));
    }

    private Optional<Judged> drawnAlready(Place item) {
        Optional<Place> drawn = byDrawing.getOrDefault(item.drawing(), List.of()).stream()
                .filter(file ->
                        file.format().equals(item.format()) || !slotKey(file).equals(slotKey(item)))
                .findFirst();
        return drawn.map(file -> {
            boolean elsewhere = !slotKey(file).equals(slotKey(item));
            boolean renamed = !file.familyKey().equals(item.familyKey());
            return new Judged(
                    renamed ? Verdict.RENAMED_COPY : Verdict.SAME_DRAWING,
                    "the same outlines as " + name(file) + (elsewhere && !renamed ? ", which is filed elsewhere" : ""));
        });
    }

    /** The slot is filled by another drawing: another version of the face, a part of it, or a stranger. */
    private Optional<Judged> otherDrawing(Place item) {
        List<Place> inSlot = bySlot.getOrDefault(slotKey(item), List.of());
        boolean drawnThere = inSlot.stream().anyMatch(file -> file.drawing().equals(item.drawing()));
        Optional<Place> other = inSlot.stream()
                .filter(file -> !file.drawing().equals(item.drawing()))
                .max(Comparator.comparingDouble(file -> alike(file, item)));
        if (drawnThere || other.isEmpty()) {
            return Optional.empty();
        }
        Place held = other.get();
        String slot = item.slot().label();
        if (alike(held, item) < SAME_FACE) {
            return Optional.of(
                    new Judged(Verdict.CLASH, slot + " is filled by a file with other outlines, " + name(held)));
        }
        if (item.codePoints() < CUT_DOWN * held.codePoints()) {
            return Optional.of(new Judged(
                    Verdict.CUT_DOWN_COPY,
                    "drawn as " + name(held) + ", with " + Sentences.count(item.codePoints(), "character", "characters")
                            + " of its " + held.codePoints()));
        }
        int newer = FontVersion.compare(item.version(), held.version());
        String versions = "version " + FontVersion.figure(item.version()) + " of " + name(held) + ", version "
                + FontVersion.figure(held.version());
        if (newer == 0) {
            return Optional.of(new Judged(
                    Verdict.CLASH,
                    slot + " is filled by a file whose outlines differ a little, " + name(held)
                            + ", and neither says that it is the newer one"));
        }
        return Optional.of(new Judged(newer > 0 ? Verdict.NEWER_VERSION : Verdict.OLDER_VERSION, versions));
    }

    private static Optional<Judged> contradiction(Judgeable read) {
        return read.contradiction().isEmpty()
                ? Optional.empty()
                : Optional.of(new Judged(Verdict.CONTRADICTION, read.contradiction()));
    }

    /** Drawn nearly as a face that is held under another name. */
    private Optional<Judged> copy(Judgeable read) {
        Place near = read.nearFileId() == null ? null : byId.get(read.nearFileId());
        return near == null || read.nearAlike() < COPY || near.familyKey().equals(read.familyKey())
                ? Optional.empty()
                : Optional.of(new Judged(
                        Verdict.RENAMED_COPY,
                        "drawn as " + name(near) + " to " + Math.round(100 * read.nearAlike()) + " %"));
    }

    private Judged fresh(Place item) {
        List<Place> inSlot = bySlot.getOrDefault(slotKey(item), List.of());
        if (!inSlot.isEmpty()) {
            return new Judged(Verdict.FURTHER_FORMAT, "an additional format of " + name(inSlot.get(0)));
        }
        return heldFamilies.contains(item.familyKey())
                ? new Judged(
                        Verdict.NEW_FACE, "nothing is held for " + item.slot().label())
                : new Judged(Verdict.NEW_FAMILY, "nothing is held of " + item.family());
    }

    private static double alike(Place a, Place b) {
        return a.sketch().flatMap(one -> b.sketch().map(one::alike)).orElse(0.0);
    }

    private static String slotKey(Place file) {
        return file.familyKey() + "/" + file.slot().key();
    }

    private static String name(Place file) {
        return Texts.baseName(file.fileName()) + " in " + file.family();
    }
}
