package app.unciala.server.family;

import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Files that others took the place of: kept, held no more, and held again on request. */
@Service
class SupersededFiles implements Reverser {
    private static final String HELD_AGAIN = "file held again";

    private final FaceFileRepository files;
    private final FamilyService service;
    private final FamilyChanges familyChanges;
    private final HistoryService history;
    private final Changes changes;
    private final EntityManager entities;
    private final JdbcClient database;
    private final Clock clock;

    SupersededFiles(
            FaceFileRepository files,
            FamilyService service,
            FamilyChanges familyChanges,
            HistoryService history,
            Changes changes,
            EntityManager entities,
            JdbcClient database,
            Clock clock) {
        this.files = files;
        this.service = service;
        this.familyChanges = familyChanges;
        this.history = history;
        this.changes = changes;
        this.entities = entities;
        this.database = database;
        this.clock = clock;
    }

    /** What others took the place of in a family, the latest first. */
    @Transactional(readOnly = true)
    List<File> of(String familyId) {
        service.get(familyId);
        return files.findSuperseded(familyId).stream()
                .map(FaceFileEntity::toRecord)
                .toList();
    }

    /**
     * Has a file held again in place of what is held for its slot in other drawings, such as the newer version that took
     * its place; returns the entry of the history by which that is taken back.
     */
    @Transactional
    String holdAgain(String familyId, String fileId, long expectedVersion) {
        changes.begin();
        FamilyEntity family = service.find(familyId, expectedVersion);
        FaceFileEntity file = files.findSuperseded(familyId).stream()
                .filter(one -> one.id().equals(fileId))
                .findFirst()
                .orElseThrow(() -> Fault.notFound("superseded file in this family", fileId));
        List<String> undo = new ArrayList<>(List.of(familyId, fileId, file.supersededBy()));
        file.holdAgain();
        List<FaceFileEntity> others = files.drawnOtherwise(file);
        List<HeldFile> before =
                others.stream().map(other -> other.toSnapshot(true)).toList();
        others.forEach(other -> {
            other.supersede(fileId, clock.instant());
            undo.add(other.id());
        });
        entities.lock(family, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        entities.flush();
        familyChanges.touched(Set.of(familyId), before);
        return history.record(Deed.of(
                        "family",
                        familyId,
                        family.name(),
                        "Held " + Texts.baseName(file.fileName()) + " again"
                                + (others.isEmpty()
                                        ? ""
                                        : " in place of "
                                                + Texts.baseName(others.get(0).fileName())))
                .undoneBy(new Reversal(HELD_AGAIN, undo)));
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(HELD_AGAIN);
    }

    @Override
    public void reverse(Reversal reversal) {
        String familyId = reversal.ids().get(0);
        FaceFileEntity file = files.findById(reversal.ids().get(1))
                .filter(held -> held.familyId().equals(familyId))
                .orElseThrow(() -> Fault.conflict("The file that was restored isn’t there anymore."));
        HeldFile before = file.toSnapshot(true);
        file.supersede(reversal.ids().get(2), clock.instant());
        entities.flush();
        List<String> others = reversal.ids().subList(3, reversal.ids().size());
        if (!others.isEmpty()) {
            database.sql("update face_file set deleted_at = null, superseded_by = null where id in (:ids)"
                            + " and superseded_by = :by")
                    .param("ids", others)
                    .param("by", file.id())
                    .update();
        }
        entities.clear();
        familyChanges.touched(Set.of(familyId), List.of(before));
    }
}
