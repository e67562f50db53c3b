package app.unciala.server.family;

import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseQuestions;
import app.unciala.core.license.Verdict;
import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.file.FontWriter;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.server.family.FaceFileEntity.NewFile;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.fault.Fault;
import app.unciala.server.fault.FullDisk;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Formats;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import app.unciala.server.job.Jobs;
import app.unciala.server.job.Runs;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.storage.FileStore;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.io.Serial;
import java.io.Serializable;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Web files made here from files that are held, one at once or those of all faces by a job, as far as licenses let. */
@Service
public class MadeFormats {
    private static final Logger LOG = LoggerFactory.getLogger(MadeFormats.class);

    /** Desktop files come first, and files as they came before those made here. */
    private static final Comparator<FaceFileEntity> BEST_SOURCE = Comparator.comparing(
                    (FaceFileEntity file) -> file.format() != FontFormat.TTF && file.format() != FontFormat.OTF)
            .thenComparing(FaceFileEntity::isMadeHere)
            .thenComparing(FaceFileEntity.BY_AGE);

    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final FileStore store;
    private final LicenseService licenses;
    private final FamilyChanges familyChanges;
    private final Changes changes;
    private final HistoryService history;
    private final Actor actor;
    private final OneTimeTask<Asked> makeFormats;
    private final Jobs jobs;
    private final EntityManager entities;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Runs<Making> makings = new Runs<>(Making.NONE);

    MadeFormats(
            FamilyRepository families,
            FaceFileRepository files,
            FileStore store,
            LicenseService licenses,
            FamilyChanges familyChanges,
            Changes changes,
            HistoryService history,
            Actor actor,
            OneTimeTask<Asked> makeFormats,
            Jobs jobs,
            EntityManager entities,
            TransactionTemplate transaction,
            Clock clock) {
        this.families = families;
        this.files = files;
        this.store = store;
        this.licenses = licenses;
        this.familyChanges = familyChanges;
        this.changes = changes;
        this.history = history;
        this.actor = actor;
        this.makeFormats = makeFormats;
        this.jobs = jobs;
        this.entities = entities;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * A face that does not hold a format, the file to make it from, and whether the licenses let it be converted.
     *
     * @param bytes the size of that file
     */
    public record Makeable(String fileId, String fileName, SlotView slot, long bytes, Verdict verdict, String reason) {}

    /** How far making the files of a format is; {@code failures} are sentences. */
    public record Making(boolean running, int done, int total, List<String> failures) implements Runs.State {
        static final Making NONE = new Making(false, 0, 0, List.of());
    }

    /** The faces of a family that do not hold a format, and how far making it is, or went last. */
    public record Plan(List<Makeable> faces, Making making) {}

    @Transactional(readOnly = true)
    public Plan plan(String familyId, String format) {
        mustExist(familyId);
        FontFormat made = Formats.read("format", format);
        return new Plan(makeable(familyId, made), makings.of(key(familyId, made)));
    }

    private List<Makeable> makeable(String familyId, FontFormat format) {
        List<License> covering = covering(familyId);
        LocalDate today = LocalDate.now(clock);
        Map<String, List<FaceFileEntity>> bySlot = files.findByFamilyId(familyId).stream()
                .sorted(FaceFileEntity.ORDER)
                .collect(Collectors.groupingBy(file -> file.slot().key(), LinkedHashMap::new, Collectors.toList()));
        List<Makeable> makeable = new ArrayList<>();
        for (List<FaceFileEntity> inSlot : bySlot.values()) {
            if (inSlot.stream().noneMatch(file -> file.format() == format)) {
                FaceFileEntity source = inSlot.stream().min(BEST_SOURCE).orElseThrow();
                Reason reason = LicenseQuestions.converting(covering, familyId, source.slot(), today);
                makeable.add(new Makeable(
                        source.id(),
                        Texts.baseName(source.fileName()),
                        SlotView.of(source.slot()),
                        source.bytes(),
                        reason.verdict(),
                        reason.text()));
            }
        }
        return makeable;
    }

    /**
     * Starts making a format for every face that lacks it and whose licenses let it be converted, unless that is under way.
     *
     * @param anyway also for faces whose licenses do not say whether they may be converted
     */
    public Making makeAll(String familyId, String format, boolean anyway) {
        Asked asked = new Asked(familyId, Formats.read("format", format), anyway, actor.name());
        int total = makeable(asked).size();
        if (total == 0) {
            throw Fault.conflict("There is no face to make " + asked.format().label() + " of.");
        }
        String key = key(familyId, asked.format());
        Making begun = new Making(true, 0, total, List.of());
        return makings.begin(key, begun, () -> jobs.soonWith(makeFormats, asked)) ? begun : makings.of(key);
    }

    private static String key(String familyId, FontFormat format) {
        return familyId + " " + format.key();
    }

    /** What was asked of the job, which is kept with it. */
    record Asked(String familyId, FontFormat format, boolean anyway, String by) implements Serializable {
        @Serial
        private static final long serialVersionUID = 1;

        boolean takes(Makeable face) {
            return face.verdict() == Verdict.ALLOWED || (anyway && face.verdict() == Verdict.NOT_STATED);
        }
    }

    /** The faces that a job takes up; none of a family that is gone. */
    private List<Makeable> makeable(Asked asked) {
        return Objects.requireNonNull(transaction.execute(status -> makeable(asked.familyId(), asked.format()).stream()
                .filter(asked::takes)
                .toList()));
    }

    /** The job: makes one file after another; one that fails does not stop the rest. */
    void run(Asked asked) {
        String key = key(asked.familyId(), asked.format());
        List<Makeable> faces = makeable(asked);
        List<String> failures = new ArrayList<>();
        for (int done = 0; done < faces.size(); done++) {
            Makeable face = faces.get(done);
            makings.put(key, new Making(true, done, faces.size(), List.copyOf(failures)));
            try {
                make(asked.familyId(), face.fileId(), asked.format(), asked.anyway());
            } catch (Fault e) {
                failures.add(face.fileName() + ": " + e.getMessage());
            } catch (RuntimeException e) {
                LOG.error("{} of {} cannot be made", asked.format().label(), face.fileName(), e);
                failures.add(face.fileName() + ": "
                        + (FullDisk.caused(e) ? FullDisk.SENTENCE : "the server failed; its log says why."));
            }
        }
        makings.put(key, new Making(false, faces.size(), faces.size(), List.copyOf(failures)));
    }

    /**
     * Makes a format of a file and puts it into the same slot.
     *
     * @param anyway also when no license says whether it may be converted
     */
    public File make(String familyId, String fileId, String format, boolean anyway) {
        return make(familyId, fileId, Formats.read("format", format), anyway);
    }

    private File make(String familyId, String fileId, FontFormat format, boolean anyway) {
        FaceFileEntity source =
                Objects.requireNonNull(transaction.execute(status -> source(familyId, fileId, format, anyway)));
        Sfnt face = FirstFace.of(store.file(source.sha256()));
        byte[] bytes = written(face, format);
        FileFacts facts = FileFacts.of(face, FaceReport.of(face));
        String sha256 = store.put(bytes);
        return Objects.requireNonNull(transaction.execute(status -> {
            changes.begin();
            FaceFileEntity current = source(familyId, fileId, format, anyway);
            String name = current.fileName().replaceFirst("\\.[^.]*$", "") + "." + format.key();
            NewFile file = new NewFile(name, sha256, bytes.length, format, current.slot(), facts, fileId);
            FaceFileEntity made = new FaceFileEntity(Ids.next(), familyId, file, clock.instant(), actor.name());
            entities.persist(made);
            FamilyEntity family = mustExist(familyId);
            entities.lock(family, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
            entities.flush();
            history.record(Deed.of(
                    "family",
                    familyId,
                    family.name(),
                    "Made " + Texts.baseName(name) + " from " + Texts.baseName(current.fileName())
                            + (converting(current).verdict() == Verdict.NOT_STATED
                                    ? ", though no license says whether it may be converted"
                                    : "")));
            familyChanges.touched(Set.of(familyId), List.of());
            return made.toRecord();
        }));
    }

    private static byte[] written(Sfnt face, FontFormat format) {
        try {
            return FontWriter.write(face, format);
        } catch (FontException e) {
            throw Fault.invalid("format", format.label() + " cannot be made of this file: " + e.getMessage() + ".");
        }
    }

    /** The file to make a format of, if it may be made. */
    private FaceFileEntity source(String familyId, String fileId, FontFormat format, boolean anyway) {
        FaceFileEntity source = files.findById(fileId)
                .filter(file -> file.familyId().equals(familyId))
                .orElseThrow(() -> Fault.notFound("file in this family", fileId));
        boolean heldAlready = files.findByFamilyId(familyId).stream()
                .anyMatch(file -> file.format() == format && file.slot().equals(source.slot()));
        if (heldAlready) {
            throw Fault.conflict(format.label() + " is held for this slot already.");
        }
        Reason reason = converting(source);
        if (reason.verdict() == Verdict.REFUSED) {
            throw Fault.conflict(reason.text() + ". Ask the vendor for " + format.label() + ".");
        }
        if (reason.verdict() == Verdict.NOT_STATED && !anyway) {
            throw Fault.conflict("Whether it may be converted is not stated (" + reason.text()
                    + "). Under “Files” you can convert it anyway.");
        }
        return source;
    }

    private Reason converting(FaceFileEntity source) {
        String familyId = source.familyId();
        return LicenseQuestions.converting(covering(familyId), familyId, source.slot(), LocalDate.now(clock));
    }

    private List<License> covering(String familyId) {
        return licenses.covering(Set.of(familyId)).stream()
                .map(Recorded::toLicense)
                .toList();
    }

    private FamilyEntity mustExist(String familyId) {
        return families.findById(familyId).orElseThrow(() -> Fault.notFound("family", familyId));
    }
}
