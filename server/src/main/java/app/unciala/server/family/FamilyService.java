package app.unciala.server.family;

import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.font.face.Classification;
import app.unciala.font.face.Embedding;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.DeletedRows;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.StoredFiles;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The inventory. Files come in by intake, or are made here from a file that is held. */
@Service
public class FamilyService implements Reverser {
    private static final String REMOVED = "file removed";

    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final FileStore store;
    private final StoredFiles stored;
    private final FamilyRecords records;
    private final LeavingFiles leaving;
    private final FamilyChanges familyChanges;
    private final HistoryService history;
    private final Changes changes;
    private final EntityManager entities;
    private final JdbcClient database;
    private final DeletedRows deletedRows;
    private final TransactionTemplate transaction;
    private final Clock clock;

    FamilyService(
            FamilyRepository families,
            FaceFileRepository files,
            FileStore store,
            StoredFiles stored,
            FamilyRecords records,
            LeavingFiles leaving,
            FamilyChanges familyChanges,
            HistoryService history,
            Changes changes,
            EntityManager entities,
            JdbcClient database,
            DeletedRows deletedRows,
            TransactionTemplate transaction,
            Clock clock) {
        this.families = families;
        this.files = files;
        this.store = store;
        this.stored = stored;
        this.records = records;
        this.leaving = leaving;
        this.familyChanges = familyChanges;
        this.history = history;
        this.changes = changes;
        this.entities = entities;
        this.database = database;
        this.deletedRows = deletedRows;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** A family with everything that is held of it, who asks for what of it, and what covers it. */
    public record Family(
            String id,
            long version,
            String name,
            String foundry,
            String classification,
            List<File> files,
            List<Asked> asks,
            List<SiteName> sites,
            List<CoveredBy> licenses) {}

    /** A slot that sites ask for; {@code by} are their names. */
    public record Asked(SlotView slot, List<String> by) {}

    public record SiteName(String id, String name) {}

    public record CoveredBy(
            String id,
            String name,

            @Schema(
                    types = {"string", "null"},
                    format = "date")
            @Nullable
            LocalDate ends) {}

    /** A file held; {@code bytes} is its size. */
    public record File(
            String id,
            String fileName,
            String sha256,
            long bytes,
            String format,
            String formatLabel,
            SlotView slot,
            String subfamily,
            String drawing,
            int glyphs,
            int codePoints,
            String sample,
            String fontVersion,
            Embedding.Level embedding,
            String embeddingLabel,
            boolean madeHere,
            Instant addedAt,
            String addedBy) {}

    @Transactional(readOnly = true)
    public long count() {
        return families.count();
    }

    @Transactional(readOnly = true)
    public Family get(String id) {
        return records.of(find(id));
    }

    /** The intake that a file came in by, and its path there. */
    public record Origin(String intakeId, String path) {}

    /** Where the files of a family came from, superseded ones too, by their ids. */
    @Transactional(readOnly = true)
    public Map<String, Origin> origins(String id) {
        find(id);
        Map<String, Origin> origins = new HashMap<>();
        database.sql("select i.face_file_id, i.intake_id, i.path from intake_item i join face_file x"
                        + " on x.id = i.face_file_id where x.family_id = :id")
                .param("id", id)
                .query((row, number) -> origins.put(row.getString(1), new Origin(row.getString(2), row.getString(3))))
                .list();
        return origins;
    }

    /** The family of this name, whatever its case, spaces and hyphens. */
    @Transactional(readOnly = true)
    public Optional<Family> named(String name) {
        return families.findByNameKey(Texts.familyKey(name)).map(records::of);
    }

    /** The families of these keys, as names compare equal ({@link Texts#familyKey}), by their keys. */
    @Transactional(readOnly = true)
    public Map<String, Family> byKeys(Collection<String> keys) {
        List<FamilyEntity> found = families.findByNameKeyIn(keys);
        Map<String, Family> byKey = new HashMap<>();
        List<Family> told = records.of(found);
        for (int i = 0; i < told.size(); i++) {
            byKey.put(found.get(i).nameKey(), told.get(i));
        }
        return byKey;
    }

    /** Edits a family: its name, and where given its foundry and its kind of type. */
    @Transactional
    public Family edit(
            String id,
            long expectedVersion,
            String name,
            @Nullable String foundry,
            @Nullable Classification classification) {
        changes.begin();
        FamilyEntity family = find(id, expectedVersion);
        String newName = Texts.familyName("name", name);
        families.findByNameKey(Texts.familyKey(name))
                .filter(other -> !other.id().equals(id))
                .ifPresent(other -> {
                    throw Fault.conflict("There is a family named “" + other.name() + "” already.");
                });
        Map<String, String> before = described(family);
        family.rename(newName);
        family.describe(
                foundry == null ? family.foundry() : foundry.strip(),
                classification == null ? family.classification() : classification.name());
        families.saveAndFlush(family);
        boolean renamed = !family.name().equals(before.get("name"));
        history.record(Deed.of(
                        "family",
                        id,
                        family.name(),
                        renamed
                                ? "Renamed “" + before.get("name") + "” to “" + family.name() + "”"
                                : "Changed “" + family.name() + "”")
                .changing(before, described(family)));
        familyChanges.touched(Set.of(id), List.of());
        return records.of(family);
    }

    private static Map<String, String> described(FamilyEntity family) {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("name", family.name());
        words.put("foundry", family.foundry());
        words.put(
                "classification",
                Classification.of(family.classification())
                        .map(Classification::words)
                        .orElse(""));
        return words;
    }

    /**
     * Takes a file out of the inventory. The last file of a slot that a site asks for stays; a family left empty goes,
     * unless a site, a license or a pack names it. Gives the entry of the history by which it is taken back.
     */
    @Transactional
    public String remove(String familyId, String fileId, long expectedVersion) {
        changes.begin();
        FamilyEntity family = find(familyId, expectedVersion);
        FaceFileEntity file = findFile(familyId, fileId);
        List<FaceFileEntity> held = files.findByFamilyId(familyId);
        leaving.mustServeSites(file, held, List.of(file));
        HeldFile before = file.toSnapshot(true);
        file.delete(clock.instant());
        leaving.from(family, held.size() == 1);
        entities.flush();
        familyChanges.touched(Set.of(familyId), List.of(before));
        return history.record(Deed.of(
                        "family",
                        familyId,
                        family.name(),
                        "Removed " + Texts.baseName(file.fileName()) + " ("
                                + file.sha256().substring(0, 8) + ")")
                .undoneBy(new Reversal(REMOVED, List.of(familyId, fileId))));
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(REMOVED);
    }

    @Override
    public void reverse(Reversal reversal) {
        String familyId = reversal.ids().get(0);
        restoreFamily(familyId);
        deletedRows.restore("face_file", reversal.ids().get(1), "the file");
        entities.lock(find(familyId), LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        entities.flush();
        familyChanges.touched(Set.of(familyId), List.of());
    }

    /** Brings a family back under its name if it was deleted, unless another has that name by now. */
    void restoreFamily(String id) {
        if (families.existsById(id)) {
            return;
        }
        String name = database.sql("select name from family where id = :id")
                .param("id", id)
                .query(String.class)
                .optional()
                .orElseThrow(() -> Fault.conflict("Its family has been deleted for good."));
        String key = Texts.familyKey(name);
        if (families.findByNameKey(key).isPresent()) {
            throw Fault.conflict("There is now another family named “" + name + "”.");
        }
        database.sql("update family set deleted_at = null, name_key = :key where id = :id")
                .param("key", key)
                .param("id", id)
                .update();
        entities.clear();
    }

    @Transactional(readOnly = true)
    public List<File> withBytes(String sha256) {
        return files.findBySha256(sha256).stream().map(FaceFileEntity::toRecord).toList();
    }

    /** The families of these ids; those that do not exist are left out. */
    @Transactional(readOnly = true)
    public List<Family> withIds(Collection<String> ids) {
        return records.of(families.findAllById(ids));
    }

    /** The families of files, by the ids of the files; those that are held no more are left out. */
    @Transactional(readOnly = true)
    public Map<String, Family> ofFiles(Collection<String> fileIds) {
        Map<String, String> owners = files.findAllById(fileIds).stream()
                .collect(Collectors.toMap(FaceFileEntity::id, FaceFileEntity::familyId));
        Map<String, Family> byId =
                withIds(Set.copyOf(owners.values())).stream().collect(Collectors.toMap(Family::id, family -> family));
        Map<String, Family> byFile = new HashMap<>();
        owners.forEach((file, family) -> byFile.put(file, byId.get(family)));
        return byFile;
    }

    /** The families that hold a file of this drawing, by any container and name. */
    @Transactional(readOnly = true)
    public List<Family> withDrawing(String drawing) {
        Set<String> ids = files.findByDrawing(drawing).stream()
                .map(FaceFileEntity::familyId)
                .collect(Collectors.toCollection(LinkedHashSet::new));
        return records.of(families.findAllById(ids));
    }

    /** Stores a held file again whose stored bytes are damaged or gone; nothing happens to any other. */
    public void mend(String sha256, byte[] bytes) {
        if (stored.isBroken(sha256)) {
            store.put(bytes);
            if (stored.check(sha256)) {
                transaction.executeWithoutResult(status -> bytesChecked(sha256));
            }
        }
    }

    /** Compares anew what depends on files whose stored bytes were found to be damaged, or mended. */
    @Transactional
    public void bytesChecked(String sha256) {
        changes.begin();
        familyChanges.touched(
                files.findBySha256(sha256).stream()
                        .map(FaceFileEntity::familyId)
                        .collect(Collectors.toSet()),
                List.of());
    }

    FamilyEntity find(String id, long expectedVersion) {
        FamilyEntity family = find(id);
        if (family.version() != expectedVersion) {
            throw Fault.stale();
        }
        return family;
    }

    private FamilyEntity find(String id) {
        return families.findById(id).orElseThrow(() -> Fault.notFound("family", id));
    }

    private FaceFileEntity findFile(String familyId, String fileId) {
        return files.findById(fileId)
                .filter(file -> file.familyId().equals(familyId))
                .orElseThrow(() -> Fault.notFound("file in this family", fileId));
    }
}
