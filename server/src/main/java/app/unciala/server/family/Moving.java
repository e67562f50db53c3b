package app.unciala.server.family;

import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.face.Slot;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Moves held files to another slot, or to another family, which splits a family in two where that one is new. */
@Service
public class Moving implements Reverser {
    private static final String MOVED = "files moved";

    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final FamilyService service;
    private final FamilyChanges familyChanges;
    private final LeavingFiles leaving;
    private final HistoryService history;
    private final Changes changes;
    private final EntityManager entities;
    private final Clock clock;

    Moving(
            FamilyRepository families,
            FaceFileRepository files,
            FamilyService service,
            FamilyChanges familyChanges,
            LeavingFiles leaving,
            HistoryService history,
            Changes changes,
            EntityManager entities,
            Clock clock) {
        this.families = families;
        this.files = files;
        this.service = service;
        this.familyChanges = familyChanges;
        this.leaving = leaving;
        this.history = history;
        this.changes = changes;
        this.entities = entities;
        this.clock = clock;
    }

    /** The family that the files are in now, and the entry of the history by which that is taken back. */
    public record Moved(String familyId, String historyId) {}

    /**
     * Moves files of a family. The last file of a slot that a site asks for stays.
     *
     * @param slot where to in their family; null leaves them in their slots
     * @param family the name of the family that they go to, a new one if there is none; null leaves them in theirs
     */
    @Transactional
    public Moved move(
            String familyId,
            long expectedVersion,
            List<String> fileIds,
            @Nullable SlotView slot,
            @Nullable String family) {
        changes.begin();
        FamilyEntity from = service.find(familyId, expectedVersion);
        List<FaceFileEntity> held = files.findByFamilyId(familyId);
        List<FaceFileEntity> moving = fileIds.stream()
                .distinct()
                .map(id -> held.stream()
                        .filter(file -> file.id().equals(id))
                        .findFirst()
                        .orElseThrow(() -> Fault.notFound("file in this family", id)))
                .toList();
        FamilyEntity to = family == null ? from : target(from, Texts.familyName("family", family));
        boolean elsewhere = !to.id().equals(familyId);
        @Nullable Slot newSlot = slot == null ? null : slot.toSlot();
        List<FaceFileEntity> changed = moving.stream()
                .filter(file -> elsewhere || (newSlot != null && !newSlot.equals(file.slot())))
                .toList();
        if (changed.isEmpty()) {
            throw Fault.invalid("files", "Say which files move, and to which other slot or family.");
        }
        changed.forEach(file -> leaving.mustServeSites(file, held, changed));
        List<String> undo = new ArrayList<>(List.of(familyId, to.id()));
        List<HeldFile> before = new ArrayList<>();
        for (FaceFileEntity file : changed) {
            undo.add(Place.of(file).toText());
            before.add(file.toSnapshot(true));
            file.move(to.id(), newSlot == null ? file.slot() : newSlot);
        }
        leaving.from(from, changed.containsAll(held) && elsewhere);
        if (elsewhere) {
            entities.lock(to, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        }
        entities.flush();
        familyChanges.touched(new TreeSet<>(List.of(familyId, to.id())), before);
        String what = changed.size() == 1
                ? Texts.baseName(changed.get(0).fileName())
                : Sentences.count(changed.size(), "file", "files");
        String where = elsewhere
                ? "from " + from.name() + " to " + to.name()
                : "to " + changed.get(0).slot().label();
        String entry = history.record(Deed.of("family", to.id(), to.name(), "Moved " + what + " " + where)
                .undoneBy(new Reversal(MOVED, undo)));
        return new Moved(to.id(), entry);
    }

    /** A new family is described as the one that it was a part of. */
    private FamilyEntity target(FamilyEntity from, String name) {
        return families.findByNameKey(Texts.familyKey(name)).orElseGet(() -> {
            FamilyEntity created = new FamilyEntity(Ids.next(), name, clock.instant());
            created.describe(from.foundry(), from.classification());
            return families.saveAndFlush(created);
        });
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(MOVED);
    }

    @Override
    public void reverse(Reversal reversal) {
        String fromId = reversal.ids().get(0);
        String toId = reversal.ids().get(1);
        service.restoreFamily(fromId);
        List<HeldFile> before = new ArrayList<>();
        List<FaceFileEntity> held = files.findByFamilyId(toId);
        List<FaceFileEntity> back = new ArrayList<>();
        List<Place> places = reversal.ids().subList(2, reversal.ids().size()).stream()
                .map(Place::read)
                .toList();
        for (Place place : places) {
            FaceFileEntity file = files.findById(place.fileId())
                    .filter(found -> found.familyId().equals(toId))
                    .orElseThrow(() -> Fault.conflict("A file that was moved no longer exists."));
            back.add(file);
            before.add(file.toSnapshot(true));
        }
        back.forEach(file -> leaving.mustServeSites(file, held, back));
        for (int i = 0; i < back.size(); i++) {
            back.get(i).move(fromId, places.get(i).slot());
        }
        boolean elsewhere = !fromId.equals(toId);
        if (elsewhere) {
            leaving.from(families.findById(toId).orElseThrow(), back.containsAll(held));
        }
        entities.lock(families.findById(fromId).orElseThrow(), LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        entities.flush();
        familyChanges.touched(new TreeSet<>(List.of(fromId, toId)), before);
    }

    /** Where a file was, as the reversal keeps it. */
    private record Place(String fileId, Slot slot) {
        static Place of(FaceFileEntity file) {
            return new Place(file.id(), file.slot());
        }

        String toText() {
            return fileId + " " + slot.key();
        }

        static Place read(String text) {
            String[] parts = text.split(" ");
            return new Place(parts[0], Slot.ofKey(parts[1]));
        }
    }
}
