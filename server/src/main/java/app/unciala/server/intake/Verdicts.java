package app.unciala.server.intake;

import app.unciala.core.face.Slot;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.intake.IntakeItemEntity.Facts;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Judges the files of an intake, one after another, against the inventory and against the files before them. */
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

    private record Held(String family, String slot, String fileName, String drawing, String format) {}

    private final Map<String, Held> bySha256 = new HashMap<>();
    private final List<Held> held = new ArrayList<>();

    Verdicts(List<Family> inventory) {
        for (Family family : inventory) {
            for (File file : family.files()) {
                add(
                        file.sha256(),
                        new Held(family.name(), file.slot().key(), file.fileName(), file.drawing(), file.format()));
            }
        }
    }

    private void add(String sha256, Held file) {
        bySha256.putIfAbsent(sha256, file);
        held.add(file);
    }

    /** Judges the next file, and counts it as held for those after it if it goes in. */
    Judged next(IntakeItemEntity item) {
        Judged judged =
                switch (item.kind()) {
                    case FONT -> font(item);
                    case LICENSE_TEXT -> new Judged(Verdict.LICENSE_TEXT, "license text that came along");
                    case NOT_A_FONT -> new Judged(Verdict.NOT_A_FONT, item.reason());
                    case DAMAGED -> new Judged(Verdict.DAMAGED, item.reason());
                };
        Boolean decided = item.included();
        if (decided != null ? decided : judged.verdict().goesIn()) {
            Facts facts = item.facts();
            add(
                    item.sha256(),
                    new Held(
                            item.family(),
                            item.slot().key(),
                            item.path(),
                            facts.drawing(),
                            facts.format().key()));
        }
        return judged;
    }

    private Judged font(IntakeItemEntity item) {
        Held twin = bySha256.get(item.sha256());
        if (twin != null) {
            return new Judged(Verdict.SAME_BYTES, "the same bytes as " + name(twin));
        }
        Facts facts = item.facts();
        Slot slot = item.slot();
        Optional<Held> drawn = held.stream()
                .filter(file -> file.drawing().equals(facts.drawing()))
                .filter(file -> file.format().equals(facts.format().key()) || !inPlace(file, item.family(), slot))
                .findFirst();
        if (drawn.isPresent()) {
            boolean sameFormat = drawn.get().format().equals(facts.format().key());
            return new Judged(
                    Verdict.SAME_DRAWING,
                    "the same drawing as " + name(drawn.get()) + (sameFormat ? "" : ", which is filed elsewhere"));
        }
        List<Held> inSlot =
                held.stream().filter(file -> inPlace(file, item.family(), slot)).toList();
        Optional<Held> other = inSlot.stream()
                .filter(file -> !file.drawing().equals(facts.drawing()))
                .findFirst();
        if (other.isPresent()) {
            return new Judged(Verdict.CLASH, slot.label() + " is filled by another drawing, " + name(other.get()));
        }
        return inSlot.isEmpty()
                ? new Judged(Verdict.NEW_FACE, "nothing is held for " + slot.label())
                : new Judged(Verdict.FURTHER_FORMAT, "a further format of " + name(inSlot.get(0)));
    }

    private static boolean inPlace(Held file, String family, Slot slot) {
        return key(file.family()).equals(key(family)) && file.slot().equals(slot.key());
    }

    private static String name(Held file) {
        return file.fileName().replaceAll("^.*/", "") + " in " + file.family();
    }

    private static String key(String family) {
        return family.toLowerCase(Locale.ROOT).replaceAll("[\\s_-]+", "");
    }
}
