package app.unciala.server.family;

import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Classification;
import app.unciala.font.face.Slot;
import app.unciala.server.family.FaceFileEntity.NewFile;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.Actor;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Files on their way into the inventory, and back out of it when their intake is taken back. */
@Service
public class IncomingFiles {
    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final LeavingFiles leaving;
    private final FamilyChanges familyChanges;
    private final Links links;
    private final Actor actor;
    private final EntityManager entities;
    private final JdbcClient database;
    private final Clock clock;

    IncomingFiles(
            FamilyRepository families,
            FaceFileRepository files,
            LeavingFiles leaving,
            FamilyChanges familyChanges,
            Links links,
            Actor actor,
            EntityManager entities,
            JdbcClient database,
            Clock clock) {
        this.families = families;
        this.files = files;
        this.leaving = leaving;
        this.familyChanges = familyChanges;
        this.links = links;
        this.actor = actor;
        this.entities = entities;
        this.database = database;
        this.clock = clock;
    }

    /**
     * A file that an intake brings in; its bytes are stored already. One that {@code replaces} takes the place of the
     * files held for its slot that are drawn otherwise; {@code copyOf} is the held file that it is drawn nearly as.
     */
    public record Incoming(
            String family,
            String fileName,
            String sha256,
            long bytes,
            FontFormat format,
            Slot slot,
            FileFacts facts,
            boolean replaces,
            @Nullable String copyOf) {}

    /** What came in: the file's new id, and its family's. */
    public record Added(String fileId, String familyId) {}

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
        List<HeldFile> superseded = new ArrayList<>();
        Set<String> grown = new LinkedHashSet<>();
        for (Incoming file : incoming) {
            FamilyEntity family = byKey.computeIfAbsent(Texts.familyKey(file.family()), key -> create(file));
            if (grown.add(family.id())) {
                entities.lock(family, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
            }
            NewFile held = new NewFile(
                    file.fileName(), file.sha256(), file.bytes(), file.format(), file.slot(), file.facts(), null);
            FaceFileEntity entity = new FaceFileEntity(Ids.next(), family.id(), held, clock.instant(), actor.name());
            if (file.copyOf() != null) {
                entity.copies(file.copyOf());
            }
            if (file.replaces()) {
                superseded.addAll(supersede(entity));
            }
            entities.persist(entity);
            added.add(new Added(entity.id(), family.id()));
        }
        entities.flush();
        familyChanges.touched(grown, superseded);
        return added;
    }

    private FamilyEntity create(Incoming first) {
        String name = Texts.familyName("family", first.family());
        FamilyEntity family = new FamilyEntity(Ids.next(), name, clock.instant());
        family.describe(
                Texts.cut(first.facts().foundry(), 300),
                first.facts().classification().map(Classification::name).orElse(""));
        entities.persist(family);
        entities.flush();
        return family;
    }

    /** Puts away what is held for a slot in other drawings than the one that takes its place. */
    private List<HeldFile> supersede(FaceFileEntity by) {
        List<FaceFileEntity> others = files.drawnOtherwise(by);
        List<HeldFile> before =
                others.stream().map(file -> file.toSnapshot(true)).toList();
        others.forEach(file -> file.supersede(by.id(), clock.instant()));
        return before;
    }

    /** The families of files. */
    @Transactional(readOnly = true)
    public Set<String> familiesOf(List<String> fileIds) {
        return files.findAllById(fileIds).stream()
                .map(FaceFileEntity::familyId)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /**
     * Takes back files that an intake brought in, and the families that it made, unless something was built on them; what
     * they replaced is held again. What was settled as a duplicate in a family that is deleted stays settled.
     */
    @Transactional
    public void takeBack(List<String> fileIds) {
        List<FaceFileEntity> taken = files.findAllById(fileIds);
        if (taken.size() < fileIds.size()) {
            throw Fault.conflict("Files of this intake have been removed, so it can’t be undone as a whole.");
        }
        List<String> owners = database.sql(
                        "select distinct h.family_id from face_file h"
                                + " join family f on f.id = h.family_id and f.deleted_at is null where h.superseded_by in (:ids)")
                .param("ids", fileIds)
                .query(String.class)
                .list();
        if (!owners.isEmpty()) {
            database.sql("update face_file set deleted_at = null, superseded_by = null"
                            + " where superseded_by in (:ids) and family_id in (:owners)")
                    .param("ids", fileIds)
                    .param("owners", owners)
                    .update();
            entities.clear();
            taken = files.findAllById(fileIds);
        }
        Map<String, List<FaceFileEntity>> byFamily =
                taken.stream().collect(Collectors.groupingBy(FaceFileEntity::familyId));
        List<HeldFile> before =
                taken.stream().map(file -> file.toSnapshot(true)).toList();
        byFamily.forEach(this::takeBack);
        entities.flush();
        Set<String> touched = new TreeSet<>(byFamily.keySet());
        touched.addAll(owners);
        familyChanges.touched(touched, before);
    }

    private void takeBack(String familyId, List<FaceFileEntity> own) {
        FamilyEntity family = families.findById(familyId).orElseThrow(() -> Fault.notFound("family", familyId));
        List<FaceFileEntity> held = files.findByFamilyId(familyId);
        boolean converted = held.stream()
                .anyMatch(file -> !own.contains(file)
                        && own.stream()
                                .anyMatch(source ->
                                        file.isMadeHere() && file.slot().equals(source.slot())));
        if (converted || (links.isNamed(familyId) && held.size() == own.size())) {
            throw Fault.conflict(family.name() + " is now in use, so this intake can’t be undone.");
        }
        own.forEach(file -> file.delete(clock.instant()));
        leaving.from(family, held.size() == own.size());
    }
}
