package app.unciala.server.family;

import app.unciala.core.face.Embedding;
import app.unciala.core.face.FaceReport;
import app.unciala.core.face.Slot;
import app.unciala.core.flag.Scope;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.LicenseDecider;
import app.unciala.core.license.Verdict;
import app.unciala.server.family.FaceFileEntity.NewFile;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.Parts;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import app.unciala.server.site.SiteService;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.StoredFiles;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The inventory. Files come in by intake, or are made here from a file that is held. */
@Service
public class FamilyService implements Reverser {
    private static final Sort BY_NAME = Sort.by("nameKey", "id");
    private static final String REMOVED = "file removed";

    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final FileStore store;
    private final StoredFiles stored;
    private final FamilyRecords records;
    private final SiteService sites;
    private final LicenseService licenses;
    private final Links links;
    private final HistoryService history;
    private final Actor actor;
    private final Changes changes;
    private final EntityManager entities;
    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final Clock clock;

    FamilyService(
            FamilyRepository families,
            FaceFileRepository files,
            FileStore store,
            StoredFiles stored,
            FamilyRecords records,
            SiteService sites,
            LicenseService licenses,
            Links links,
            HistoryService history,
            Actor actor,
            Changes changes,
            EntityManager entities,
            JdbcClient database,
            TransactionTemplate transaction,
            Clock clock) {
        this.families = families;
        this.files = files;
        this.store = store;
        this.stored = stored;
        this.records = records;
        this.sites = sites;
        this.licenses = licenses;
        this.links = links;
        this.history = history;
        this.actor = actor;
        this.changes = changes;
        this.entities = entities;
        this.database = database;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** A family with everything that is held of it, who asks for what of it, and what covers it. */
    public record Family(
            String id,
            long version,
            String name,
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

    /** A file that an intake brings in; its bytes are stored already. */
    public record Incoming(
            String family, String fileName, String sha256, long bytes, FontFormat format, Slot slot, FileFacts facts) {}

    /** What came in: the file's new id, and its family's. */
    public record Added(String fileId, String familyId) {}

    /** The families by name, those whose name has the words, whatever their case, spaces and hyphens. */
    @Transactional(readOnly = true)
    public Page<Family> list(@Nullable String words, @Nullable String cursor, int limit) {
        KeysetScrollPosition position = Cursor.read(cursor, Cursor.keys(BY_NAME, "", ""));
        String part = words == null ? "" : Texts.familyKey(words);
        Window<FamilyEntity> window = part.isEmpty()
                ? families.findAllBy(position, BY_NAME, Cursor.limit(limit))
                : families.findByNameKeyContaining(part, position, BY_NAME, Cursor.limit(limit));
        return Page.of(window, records.of(window.getContent()));
    }

    @Transactional(readOnly = true)
    public long count() {
        return families.count();
    }

    @Transactional(readOnly = true)
    public Family get(String id) {
        return records.of(find(id));
    }

    /** The family of this name, whatever its case, spaces and hyphens. */
    @Transactional(readOnly = true)
    public Optional<Family> named(String name) {
        return families.findByNameKey(Texts.familyKey(name)).map(records::of);
    }

    /** Puts files into the inventory, in the order given; for an intake, within its transaction. */
    @Transactional
    public List<Added> add(List<Incoming> incoming) {
        Map<String, FamilyEntity> byKey = new HashMap<>();
        families.findByNameKeyIn(incoming.stream()
                        .map(file -> Texts.familyKey(file.family()))
                        .distinct()
                        .toList())
                .forEach(family -> byKey.put(family.nameKey(), family));
        List<Added> added = new ArrayList<>();
        Set<String> grown = new LinkedHashSet<>();
        for (Incoming file : incoming) {
            FamilyEntity family = byKey.computeIfAbsent(Texts.familyKey(file.family()), key -> create(file.family()));
            if (grown.add(family.id())) {
                entities.lock(family, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
            }
            NewFile held = new NewFile(
                    file.fileName(), file.sha256(), file.bytes(), file.format(), file.slot(), file.facts(), null);
            FaceFileEntity entity = new FaceFileEntity(Ids.next(), family.id(), held, clock.instant(), actor.name());
            entities.persist(entity);
            added.add(new Added(entity.id(), family.id()));
        }
        entities.flush();
        touched(grown, List.of());
        return added;
    }

    private FamilyEntity create(String name) {
        if (Texts.familyKey(name).isEmpty()) {
            throw Fault.invalid("family", "A family name has between 1 and 300 characters.");
        }
        FamilyEntity family = new FamilyEntity(Ids.next(), name.strip(), clock.instant());
        entities.persist(family);
        entities.flush();
        return family;
    }

    @Transactional
    public Family rename(String id, long expectedVersion, String name) {
        changes.begin();
        FamilyEntity family = find(id, expectedVersion);
        if (Texts.familyKey(name).isEmpty()) {
            throw Fault.invalid("name", "A family name has between 1 and 300 characters.");
        }
        families.findByNameKey(Texts.familyKey(name))
                .filter(other -> !other.id().equals(id))
                .ifPresent(other -> {
                    throw Fault.conflict("There is a family named “" + other.name() + "” already.");
                });
        String before = family.name();
        family.rename(name.strip());
        families.saveAndFlush(family);
        history.record(Deed.of("family", id, family.name(), "Renamed “" + before + "” to “" + family.name() + "”")
                .changing(Map.of("name", before), Map.of("name", family.name())));
        touched(Set.of(id), List.of());
        return records.of(family);
    }

    /** Makes the WOFF2 of a file and puts it into the same slot, unless a license refuses converting. */
    public File makeWoff2(String familyId, String fileId) {
        FaceFileEntity source = Objects.requireNonNull(transaction.execute(status -> convertible(familyId, fileId)));
        Sfnt face = FontReader.read(store.get(source.sha256())).faces().get(0);
        byte[] bytes = FontWriter.write(face, FontFormat.WOFF2);
        FileFacts facts = FileFacts.of(FaceReport.of(face));
        String sha256 = store.put(bytes);
        return Objects.requireNonNull(transaction.execute(status -> {
            changes.begin();
            FaceFileEntity current = convertible(familyId, fileId);
            String name = current.fileName().replaceFirst("\\.[^.]*$", "") + ".woff2";
            NewFile file = new NewFile(name, sha256, bytes.length, FontFormat.WOFF2, current.slot(), facts, fileId);
            FaceFileEntity made = new FaceFileEntity(Ids.next(), familyId, file, clock.instant(), actor.name());
            entities.persist(made);
            FamilyEntity family = find(familyId);
            entities.lock(family, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
            entities.flush();
            history.record(Deed.of(
                    "family",
                    familyId,
                    family.name(),
                    "Made " + Texts.baseName(name) + " from " + Texts.baseName(current.fileName())));
            touched(Set.of(familyId), List.of());
            return made.toRecord();
        }));
    }

    private FaceFileEntity convertible(String familyId, String fileId) {
        FaceFileEntity source = findFile(familyId, fileId);
        boolean heldAlready = files.findByFamilyId(familyId).stream()
                .anyMatch(
                        file -> file.format() == FontFormat.WOFF2 && file.slot().equals(source.slot()));
        if (heldAlready) {
            throw Fault.conflict("A WOFF2 is held for this slot already.");
        }
        Reason reason = LicenseDecider.converting(
                licenses.covering(Set.of(familyId)).stream()
                        .map(Recorded::toLicense)
                        .toList(),
                familyId,
                source.slot(),
                LocalDate.now(clock));
        if (reason.verdict() == Verdict.REFUSED) {
            throw Fault.conflict(reason.text() + ". Ask the vendor for a WOFF2.");
        }
        return source;
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
        boolean last = held.stream()
                .noneMatch(other -> !other.id().equals(fileId) && other.slot().equals(file.slot()));
        List<String> asking = sites.askingFor(familyId, file.slot());
        if (last && !asking.isEmpty()) {
            throw Fault.conflict(Texts.baseName(file.fileName()) + " is the only file for a face that "
                    + String.join(" and ", asking) + (asking.size() == 1 ? " asks" : " ask")
                    + " for. Change the site first.");
        }
        HeldFile before = file.toSnapshot(true);
        file.delete(clock.instant());
        if (held.size() == 1 && !links.isNamed(familyId)) {
            family.delete(clock.instant());
        } else {
            entities.lock(family, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        }
        entities.flush();
        touched(Set.of(familyId), List.of(before));
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
        if (families.findById(familyId).isEmpty()) {
            restoreFamily(familyId);
        }
        database.sql("update face_file set deleted_at = null where id = :id")
                .param("id", reversal.ids().get(1))
                .update();
        entities.lock(find(familyId), LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        entities.flush();
        touched(Set.of(familyId), List.of());
    }

    private void restoreFamily(String id) {
        String name = database.sql("select name from family where id = :id")
                .param("id", id)
                .query(String.class)
                .single();
        String key = Texts.familyKey(name);
        if (families.findByNameKey(key).isPresent()) {
            throw Fault.conflict("There is a new family named “" + name + "” by now.");
        }
        database.sql("update family set deleted_at = null, name_key = :key where id = :id")
                .param("key", key)
                .param("id", id)
                .update();
    }

    /**
     * Takes back files that an intake brought in, and the families that it made, unless something was built on them.
     */
    @Transactional
    public void takeBack(List<String> fileIds) {
        List<FaceFileEntity> taken = files.findAllById(fileIds);
        if (taken.size() < fileIds.size()) {
            throw Fault.conflict("Files of this intake were removed since, so it cannot be taken back as a whole.");
        }
        Map<String, List<FaceFileEntity>> byFamily =
                taken.stream().collect(Collectors.groupingBy(FaceFileEntity::familyId));
        List<HeldFile> before =
                taken.stream().map(file -> file.toSnapshot(true)).toList();
        byFamily.forEach((familyId, own) -> {
            FamilyEntity family = find(familyId);
            List<FaceFileEntity> held = files.findByFamilyId(familyId);
            boolean converted = held.stream()
                    .anyMatch(file -> !own.contains(file)
                            && own.stream()
                                    .anyMatch(source -> file.toRecord().madeHere()
                                            && file.slot().equals(source.slot())));
            if (converted || links.isNamed(familyId) && held.size() == own.size()) {
                throw Fault.conflict(family.name() + " is in use by now, so this intake cannot be taken back.");
            }
            own.forEach(file -> file.delete(clock.instant()));
            if (held.size() == own.size()) {
                family.delete(clock.instant());
            } else {
                entities.lock(family, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
            }
        });
        entities.flush();
        touched(byFamily.keySet(), before);
    }

    @Transactional(readOnly = true)
    public List<File> withBytes(String sha256) {
        return files.findBySha256(sha256).stream().map(FaceFileEntity::toRecord).toList();
    }

    /** The families that hold a file of this drawing, by any container and name. */
    @Transactional(readOnly = true)
    public List<Family> withDrawing(String drawing) {
        Set<String> ids = files.findByDrawing(drawing).stream()
                .map(FaceFileEntity::familyId)
                .collect(Collectors.toCollection(LinkedHashSet::new));
        return records.of(families.findAllById(ids));
    }

    /** Says that what is held of families changed; {@code before} are files that are held no more. */
    private void touched(Collection<String> familyIds, List<HeldFile> before) {
        List<HeldFile> heldThenOrNow = new ArrayList<>(before);
        Parts.of(familyIds, part -> files.findByFamilyIdIn(part)
                .forEach(file -> heldThenOrNow.add(file.toSnapshot(true))));
        changes.heldFilesChanged();
        changes.touched(Scope.ofFamilies(familyIds, heldThenOrNow, links));
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
        touched(
                files.findBySha256(sha256).stream()
                        .map(FaceFileEntity::familyId)
                        .collect(Collectors.toSet()),
                List.of());
    }

    private FamilyEntity find(String id, long expectedVersion) {
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
