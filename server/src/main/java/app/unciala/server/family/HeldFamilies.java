package app.unciala.server.family;

import app.unciala.core.flag.Snapshot;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.font.drawing.Sketch;
import app.unciala.font.face.Slot;
import app.unciala.server.inventory.Parts;
import app.unciala.server.storage.StoredFiles;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What is held, looked up in bulk: for comparisons, and for intakes that are judged against it. */
@Component
public class HeldFamilies {
    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final StoredFiles stored;

    HeldFamilies(FamilyRepository families, FaceFileRepository files, StoredFiles stored) {
        this.families = families;
        this.files = files;
        this.stored = stored;
    }

    /** The families that hold a file with any of these digests of bytes or drawings. */
    @Transactional(readOnly = true)
    public Set<String> holding(Collection<String> sha256, Collection<String> drawings) {
        Set<String> ids = new LinkedHashSet<>();
        Parts.of(sha256, part -> files.findBySha256In(part).forEach(file -> ids.add(file.familyId())));
        Parts.of(drawings, part -> files.findByDrawingIn(part).forEach(file -> ids.add(file.familyId())));
        return ids;
    }

    /** A file as an intake compares its own with it. */
    public record Place(
            String id,
            String family,
            String familyKey,
            Slot slot,
            String fileName,
            String sha256,
            String drawing,
            String format,
            int codePoints,
            String version,
            Optional<Sketch> sketch) {}

    /** All files held that have any of these ids or digests, or stand in any of these families, oldest first. */
    @Transactional(readOnly = true)
    public List<Place> places(
            Collection<String> ids,
            Collection<String> sha256,
            Collection<String> drawings,
            Collection<String> familyKeys) {
        Map<String, FaceFileEntity> found = new LinkedHashMap<>();
        Map<String, FamilyEntity> owners = new HashMap<>();
        Parts.of(familyKeys, part -> families.findByNameKeyIn(part).forEach(family -> owners.put(family.id(), family)));
        Parts.of(owners.keySet(), part -> files.findByFamilyIdIn(part).forEach(file -> found.put(file.id(), file)));
        Parts.of(ids, part -> files.findAllById(part).forEach(file -> found.put(file.id(), file)));
        Parts.of(sha256, part -> files.findBySha256In(part).forEach(file -> found.put(file.id(), file)));
        Parts.of(drawings, part -> files.findByDrawingIn(part).forEach(file -> found.put(file.id(), file)));
        Parts.of(
                found.values().stream()
                        .map(FaceFileEntity::familyId)
                        .filter(id -> !owners.containsKey(id))
                        .toList(),
                part -> families.findAllById(part).forEach(family -> owners.put(family.id(), family)));
        return found.values().stream()
                .sorted(FaceFileEntity.BY_AGE)
                .flatMap(file -> Stream.ofNullable(owners.get(file.familyId()))
                        .map(owner -> new Place(
                                file.id(),
                                owner.name(),
                                owner.nameKey(),
                                file.slot(),
                                file.fileName(),
                                file.sha256(),
                                file.drawing(),
                                file.format().key(),
                                file.codePoints(),
                                file.fontVersion(),
                                file.sketch())))
                .toList();
    }

    /**
     * A held file with the family that it is a face of.
     *
     * @param superseded whether another file took its place, and it is kept only
     */
    public record HeldFace(
            String fileId,
            String familyId,
            String familyName,
            String fileName,
            String sha256,
            String drawing,
            int codePoints,
            boolean superseded) {}

    /** The held files that have any of these ids or digests, oldest first, and then those that are superseded. */
    @Transactional(readOnly = true)
    public List<HeldFace> faces(Collection<String> ids, Collection<String> sha256, Collection<String> drawings) {
        Map<String, FaceFileEntity> found = new LinkedHashMap<>();
        Parts.of(ids, part -> files.findAllById(part).forEach(file -> found.put(file.id(), file)));
        Parts.of(sha256, part -> files.findBySha256In(part).forEach(file -> found.put(file.id(), file)));
        Parts.of(drawings, part -> files.findByDrawingIn(part).forEach(file -> found.put(file.id(), file)));
        Map<String, FaceFileEntity> superseded = new LinkedHashMap<>();
        Parts.of(
                sha256, part -> files.findSuperseded(part, List.of()).forEach(file -> superseded.put(file.id(), file)));
        Parts.of(drawings, part -> files.findSuperseded(List.of(), part)
                .forEach(file -> superseded.put(file.id(), file)));
        Map<String, String> names = names(Stream.concat(found.values().stream(), superseded.values().stream())
                .map(FaceFileEntity::familyId)
                .toList());
        return Stream.concat(found.values().stream().sorted(FaceFileEntity.BY_AGE), superseded.values().stream())
                .filter(file -> names.containsKey(file.familyId()))
                .map(file -> new HeldFace(
                        file.id(),
                        file.familyId(),
                        names.getOrDefault(file.familyId(), ""),
                        file.fileName(),
                        file.sha256(),
                        file.drawing(),
                        file.codePoints(),
                        superseded.containsKey(file.id())))
                .toList();
    }

    /** The names of families by their ids; those that do not exist are left out. */
    @Transactional(readOnly = true)
    public Map<String, String> names(Collection<String> ids) {
        Map<String, String> names = new HashMap<>();
        Parts.of(ids, part -> families.findAllById(part).forEach(family -> names.put(family.id(), family.name())));
        return names;
    }

    /** Families as the core compares them; those that do not exist are left out. */
    @Transactional(readOnly = true)
    public List<Snapshot.Family> snapshots(Collection<String> ids) {
        List<FamilyEntity> found = new ArrayList<>();
        List<FaceFileEntity> held = new ArrayList<>();
        Parts.of(ids, part -> {
            found.addAll(families.findAllById(part));
            held.addAll(files.findByFamilyIdIn(part));
        });
        return snapshots(found, held);
    }

    /** All families as the core compares them, for a full comparison. */
    @Transactional(readOnly = true)
    public List<Snapshot.Family> snapshots() {
        return snapshots(families.findAll(), files.findAll());
    }

    private List<Snapshot.Family> snapshots(List<FamilyEntity> found, List<FaceFileEntity> held) {
        Set<String> broken = stored.notIntact();
        Map<String, List<HeldFile>> byFamily = held.stream()
                .collect(Collectors.groupingBy(
                        FaceFileEntity::familyId,
                        Collectors.mapping(
                                file -> file.toSnapshot(!broken.contains(file.sha256())), Collectors.toList())));
        return found.stream()
                .map(family ->
                        new Snapshot.Family(family.id(), family.name(), byFamily.getOrDefault(family.id(), List.of())))
                .toList();
    }
}
