package app.unciala.server.intake;

import app.unciala.core.face.Slot;
import app.unciala.server.family.HeldFamilies.Place;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.inventory.SlotColumns;
import app.unciala.server.inventory.Texts;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Judges the files of an intake, one after another, against the inventory and against the files before them. Everything
 * is looked up by key, so that one pass over an intake takes time by its length only.
 */
final class Verdicts {
    /** What accepting a file would mean. */
    enum Verdict {
        NEW_FACE,
        FURTHER_FORMAT,
        SAME_BYTES,
        SAME_DRAWING,
        CLASH,
        LICENSE_TEXT,
        NOT_A_FONT,
        DAMAGED;

        /** Whether a file goes in unless a person says otherwise. */
        boolean goesIn() {
            return this == NEW_FACE || this == FURTHER_FORMAT;
        }
    }

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
            @Nullable Boolean included,
            String verdict,
            String because,
            boolean goesIn) {
        Place toPlace() {
            return new Place(family, familyKey, slot.toSlot(), path, sha256, drawing, format);
        }
    }

    private final Map<String, Place> bySha256 = new HashMap<>();
    private final Map<String, List<Place>> byDrawing = new HashMap<>();
    private final Map<String, List<Place>> bySlot = new HashMap<>();

    Verdicts(Collection<Place> held) {
        held.forEach(this::add);
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
                    case FONT -> font(item.toPlace());
                    case LICENSE_TEXT -> new Judged(Verdict.LICENSE_TEXT, "license text that came along");
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

    private Judged font(Place item) {
        Place twin = bySha256.get(item.sha256());
        if (twin != null) {
            return new Judged(Verdict.SAME_BYTES, "the same bytes as " + name(twin));
        }
        Slot slot = item.slot();
        Optional<Place> drawn = byDrawing.getOrDefault(item.drawing(), List.of()).stream()
                .filter(file ->
                        file.format().equals(item.format()) || !slotKey(file).equals(slotKey(item)))
                .findFirst();
        if (drawn.isPresent()) {
            boolean sameFormat = drawn.get().format().equals(item.format());
            return new Judged(
                    Verdict.SAME_DRAWING,
                    "the same drawing as " + name(drawn.get()) + (sameFormat ? "" : ", which is filed elsewhere"));
        }
        List<Place> inSlot = bySlot.getOrDefault(slotKey(item), List.of());
        Optional<Place> other = inSlot.stream()
                .filter(file -> !file.drawing().equals(item.drawing()))
                .findFirst();
        if (other.isPresent()) {
            return new Judged(Verdict.CLASH, slot.label() + " is filled by another drawing, " + name(other.get()));
        }
        return inSlot.isEmpty()
                ? new Judged(Verdict.NEW_FACE, "nothing is held for " + slot.label())
                : new Judged(Verdict.FURTHER_FORMAT, "a further format of " + name(inSlot.get(0)));
    }

    private static String slotKey(Place file) {
        return file.familyKey() + "/" + file.slot().key();
    }

    private static String name(Place file) {
        return Texts.baseName(file.fileName()) + " in " + file.family();
    }
}
