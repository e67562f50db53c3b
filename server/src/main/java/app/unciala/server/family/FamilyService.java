package app.unciala.server.family;

import app.unciala.core.face.Embedding;
import app.unciala.core.face.FaceReport;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.server.family.FaceFileEntity.NewFile;
import app.unciala.server.history.HistoryService;
import app.unciala.server.http.Ids;
import app.unciala.server.http.Problem;
import app.unciala.server.http.SlotView;
import app.unciala.server.http.Versions;
import app.unciala.server.site.SiteService;
import app.unciala.server.storage.FileStore;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The inventory. Files come in by intake, or are made here from a file that is held. */
@Service
public class FamilyService {
    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final FileStore store;
    private final SiteService sites;
    private final HistoryService history;
    private final Clock clock;

    FamilyService(
            FamilyRepository families,
            FaceFileRepository files,
            FileStore store,
            SiteService sites,
            HistoryService history,
            Clock clock) {
        this.families = families;
        this.files = files;
        this.store = store;
        this.sites = sites;
        this.history = history;
        this.clock = clock;
    }

    /** A family with everything that is held of it. */
    public record Family(String id, long version, String name, List<File> files) {}

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
    public List<Family> all() {
        Map<String, List<File>> byFamily = inOrder(files.findAll()).stream()
                .collect(Collectors.groupingBy(
                        FaceFileEntity::familyId, Collectors.mapping(FaceFileEntity::toRecord, Collectors.toList())));
        return families.findAllByOrderByNameKey().stream()
                .map(family -> new Family(
                        family.id(), family.version(), family.name(), byFamily.getOrDefault(family.id(), List.of())))
                .toList();
    }

    @Transactional(readOnly = true)
    public Family get(String id) {
        FamilyEntity family = find(id);
        List<File> held = inOrder(files.findByFamilyId(id)).stream()
                .map(FaceFileEntity::toRecord)
                .toList();
        return new Family(family.id(), family.version(), family.name(), held);
    }

    /** The family of this name, whatever its case, spaces and hyphens. */
    @Transactional(readOnly = true)
    public Optional<Family> named(String name) {
        return families.findByNameKey(FamilyEntity.keyOf(name)).map(family -> get(family.id()));
    }

    @Transactional
    public Family findOrCreate(String name) {
        String key = FamilyEntity.keyOf(name);
        if (key.isEmpty() || name.length() > 300) {
            throw Problem.invalid("A family name has between 1 and 300 characters.");
        }
        FamilyEntity family = families.findByNameKey(key)
                .orElseGet(() -> families.save(new FamilyEntity(Ids.next(), name.strip(), clock.instant())));
        return get(family.id());
    }

    /** Puts a file into the inventory; its bytes are stored and on disk before it is recorded. */
    @Transactional
    public File add(String familyId, String fileName, byte[] bytes, FontFormat format, Slot slot, FaceReport report) {
        String sha256 = store.put(bytes);
        NewFile file = new NewFile(fileName, sha256, bytes.length, format, slot, report, null);
        FaceFileEntity added = new FaceFileEntity(
                Ids.next(), find(familyId).id(), file, clock.instant(), HistoryService.currentName());
        return files.save(added).toRecord();
    }

    @Transactional
    public Family rename(String id, long expectedVersion, String name) {
        FamilyEntity family = find(id);
        Versions.check(expectedVersion, family.version());
        families.findByNameKey(FamilyEntity.keyOf(name))
                .filter(other -> !other.id().equals(id))
                .ifPresent(other -> {
                    throw Problem.conflict("There is a family named “" + other.name() + "” already.");
                });
        if (FamilyEntity.keyOf(name).isEmpty() || name.length() > 300) {
            throw Problem.invalid("A family name has between 1 and 300 characters.");
        }
        String before = family.name();
        family.rename(name.strip());
        families.saveAndFlush(family);
        history.record("family", id, "Renamed “" + before + "” to “" + family.name() + "”");
        return get(id);
    }

    /** Makes the WOFF2 of a file and puts it into the same slot. */
    @Transactional
    public File makeWoff2(String familyId, String fileId) {
        FaceFileEntity source = findFile(familyId, fileId);
        boolean heldAlready = files.findByFamilyId(familyId).stream()
                .anyMatch(
                        file -> file.format() == FontFormat.WOFF2 && file.slot().equals(source.slot()));
        if (heldAlready) {
            throw Problem.conflict("A WOFF2 is held for this slot already.");
        }
        Sfnt face = FontReader.read(store.get(source.sha256())).faces().get(0);
        byte[] bytes = FontWriter.write(face, FontFormat.WOFF2);
        String name = source.fileName().replaceFirst("\\.[^.]*$", "") + ".woff2";
        NewFile file = new NewFile(
                name, store.put(bytes), bytes.length, FontFormat.WOFF2, source.slot(), FaceReport.of(face), fileId);
        FaceFileEntity made =
                new FaceFileEntity(Ids.next(), familyId, file, clock.instant(), HistoryService.currentName());
        history.record("family", familyId, "Made " + name + " from " + source.fileName());
        return files.save(made).toRecord();
    }

    /**
     * Takes a file out of the inventory. The last file of a slot that a site asks for stays; a family left empty
     * goes, unless a site asks for it.
     */
    @Transactional
    public void remove(String familyId, String fileId) {
        FaceFileEntity file = findFile(familyId, fileId);
        List<FaceFileEntity> held = files.findByFamilyId(familyId);
        boolean last = held.stream()
                .noneMatch(other -> !other.id().equals(fileId) && other.slot().equals(file.slot()));
        List<String> asking = sites.askingFor(familyId, file.slot());
        if (last && !asking.isEmpty()) {
            throw Problem.conflict(file.fileName() + " is the only file for a face that " + String.join(" and ", asking)
                    + (asking.size() == 1 ? " asks" : " ask") + " for. Change the site first.");
        }
        files.delete(file);
        history.record(
                "family",
                familyId,
                "Removed " + file.fileName() + " (" + file.sha256().substring(0, 8) + ")");
        if (held.size() == 1) {
            families.delete(find(familyId));
        }
    }

    @Transactional(readOnly = true)
    public List<File> withBytes(String sha256) {
        return files.findBySha256(sha256).stream().map(FaceFileEntity::toRecord).toList();
    }

    /** The families that hold a file of this drawing, by any container and name. */
    @Transactional(readOnly = true)
    public List<Family> withDrawing(String drawing) {
        return files.findByDrawing(drawing).stream()
                .map(FaceFileEntity::familyId)
                .distinct()
                .map(this::get)
                .toList();
    }

    /** By slot, uprights before italics, then by format and age. */
    private static List<FaceFileEntity> inOrder(List<FaceFileEntity> held) {
        return held.stream().sorted(FaceFileEntity.ORDER).toList();
    }

    private FamilyEntity find(String id) {
        return families.findById(id).orElseThrow(() -> Problem.notFound("family", id));
    }

    private FaceFileEntity findFile(String familyId, String fileId) {
        return files.findById(fileId)
                .filter(file -> file.familyId().equals(familyId))
                .orElseThrow(() -> Problem.notFound("file in this family", fileId));
    }
}
