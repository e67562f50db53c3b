package app.unciala.server.intake;

import app.unciala.core.face.Evidence;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Added;
import app.unciala.server.family.FamilyService.Incoming;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.intake.IntakeItemEntity.Facts;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.intake.Verdicts.Verdict;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import app.unciala.server.job.Jobs;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.StagingArea;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Intakes from the drop to the inventory. */
@Service
public class IntakeService implements Reverser {
    private static final Sort LATEST_FIRST = Sort.by(Sort.Order.desc("createdAt"), Sort.Order.asc("id"));
    private static final Sort AS_FOUND = Sort.by("position", "id");
    private static final String ACCEPTED = "intake accepted";
    private static final String DISCARDED = "intake thrown away";

    private final IntakeRepository intakes;
    private final IntakeItemRepository items;
    private final StagingArea staging;
    private final FileStore store;
    private final FamilyService families;
    private final Judgement judgement;
    private final OneTimeTask<Void> readIntake;
    private final Jobs jobs;
    private final HistoryService history;
    private final Actor actor;
    private final Changes changes;
    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final Clock clock;

    IntakeService(
            IntakeRepository intakes,
            IntakeItemRepository items,
            StagingArea staging,
            FileStore store,
            FamilyService families,
            Judgement judgement,
            OneTimeTask<Void> readIntake,
            Jobs jobs,
            HistoryService history,
            Actor actor,
            Changes changes,
            JdbcClient database,
            TransactionTemplate transaction,
            Clock clock) {
        this.intakes = intakes;
        this.items = items;
        this.staging = staging;
        this.store = store;
        this.families = families;
        this.judgement = judgement;
        this.readIntake = readIntake;
        this.jobs = jobs;
        this.history = history;
        this.actor = actor;
        this.changes = changes;
        this.database = database;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** A file as it is dropped; {@code open} gives its bytes once. */
    public record Upload(String name, Source open) {}

    /** Gives the bytes of an upload. */
    public interface Source {
        InputStream open() throws IOException;
    }

    /** An intake without its rows; {@code files} is how many were found so far. */
    public record Summary(
            String id,
            IntakeState state,
            Instant createdAt,
            String createdBy,
            List<String> uploads,
            long doneBytes,
            long totalBytes,
            String failure,
            int files) {}

    /** One file with its verdict; {@code included} says whether it goes in when the intake is accepted. */
    public record FileRow(
            String id,
            String path,
            long bytes,
            String sha256,
            Verdict verdict,
            String because,
            boolean included,
            boolean isFont,
            String family,
            SlotView slot,
            String subfamily,
            String format,
            int glyphs,
            int codePoints,
            String sample,
            String version,
            String embedding,
            String license,
            List<Evidence> evidence,
            List<String> notes) {}

    /** How many files have a verdict, and how many of them go in. */
    public record VerdictCount(Verdict verdict, int files, int included) {}

    /** An intake with some of its rows, in the order in which they were found; {@code next} asks for what follows. */
    public record Intake(
            Summary summary,
            IntakeState state,
            List<VerdictCount> verdicts,
            List<FileRow> rows,

            @Schema(types = {"string", "null"}) @Nullable String next) {}

    /** What a person corrects or decides; what is left out stays. */
    public record Correction(
            @Nullable String family,
            @Nullable SlotView slot,
            @Nullable Boolean included) {}

    /** What went in, and the entry of the history by which it is taken back. */
    public record Accepted(int files, List<String> familyIds, String historyId) {}

    public String open(List<Upload> uploads) {
        if (uploads.isEmpty()) {
            throw Fault.invalid("files", "Drop at least one file.");
        }
        String id = Ids.next();
        long total = 0;
        for (int i = 0; i < uploads.size(); i++) {
            try (InputStream in = uploads.get(i).open().open()) {
                total += staging.putUpload(id, i, in);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        List<String> names =
                uploads.stream().map(upload -> Texts.cut(upload.name(), 1000)).toList();
        IntakeEntity intake = new IntakeEntity(id, clock.instant(), actor.name(), names, total);
        transaction.executeWithoutResult(status -> intakes.save(intake));
        jobs.soon(readIntake, id);
        return id;
    }

    @Transactional(readOnly = true)
    public Page<Summary> list(@Nullable String cursor, int limit) {
        KeysetScrollPosition position = Cursor.read(cursor, Cursor.keys(LATEST_FIRST, Instant.EPOCH, ""));
        return Page.of(intakes.findAllBy(position, LATEST_FIRST, Cursor.limit(limit)), IntakeEntity::toSummary);
    }

    /** How many intakes are being read or wait for somebody. */
    @Transactional(readOnly = true)
    public long waiting() {
        return intakes.countByStateIn(List.of(IntakeState.READING, IntakeState.REVIEW, IntakeState.FAILED));
    }

    @Transactional
    public Intake get(String id, @Nullable String cursor, int limit) {
        judgement.refresh(find(id));
        IntakeEntity intake = find(id);
        KeysetScrollPosition position = Cursor.read(cursor, Cursor.keys(AS_FOUND, 0, ""));
        Window<IntakeItemEntity> window = items.findByIntakeId(id, position, AS_FOUND, Cursor.limit(limit));
        Page<FileRow> page = Page.of(window, IntakeService::row);
        return new Intake(intake.toSummary(), intake.state(), counts(id), page.items(), page.next());
    }

    private List<VerdictCount> counts(String id) {
        return database.sql("select verdict, count(*), count(*) filter (where goes_in) from intake_item"
                        + " where intake_id = :id and verdict <> '' group by verdict order by verdict")
                .param("id", id)
                .query((row, number) ->
                        new VerdictCount(Verdict.valueOf(row.getString(1)), row.getInt(2), row.getInt(3)))
                .list();
    }

    @Transactional
    public FileRow correct(String id, String itemId, Correction correction) {
        changes.begin();
        IntakeEntity intake = find(id);
        mustBeInReview(intake);
        IntakeItemEntity item = findItem(id, itemId);
        if (item.kind() != Kind.FONT) {
            throw Fault.invalid("item", Texts.baseName(item.path()) + " is no font, so there is nothing to correct.");
        }
        if (correction.family() != null) {
            if (Texts.familyKey(correction.family()).isEmpty()
                    || correction.family().length() > 300) {
                throw Fault.invalid("family", "A family name has between 1 and 300 characters.");
            }
            item.rename(correction.family().strip());
        }
        if (correction.slot() != null) {
            item.place(correction.slot().toSlot());
        }
        if (correction.included() != null) {
            item.decide(correction.included());
        }
        judgement.judge(intake);
        IntakeItemEntity corrected = findItem(id, itemId);
        history.record(Deed.of("intake", id, Texts.baseName(item.path()), "Corrected " + Texts.baseName(item.path())));
        return row(corrected);
    }

    /**
     * Puts the included fonts into the inventory; only now do they count as held. The bytes are stored before anything
     * waits for it; of several that accept at once, the first does, and the others are told so.
     */
    public Accepted accept(String id) {
        store(id);
        return Objects.requireNonNull(transaction.execute(status -> {
            changes.begin();
            return accepted(id);
        }));
    }

    private void store(String id) {
        mustBeInReview(find(id));
        Set<String> seen = new HashSet<>();
        for (IntakeItemEntity item : items.findByIntakeIdAndGoesInTrueOrderByPosition(id)) {
            if (seen.add(item.sha256())) {
                store(id, item.sha256());
            }
        }
    }

    private void store(String id, String sha256) {
        if (staging.has(id, sha256)) {
            try (InputStream in = Files.newInputStream(staging.file(id, sha256))) {
                store.put(in);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private Accepted accepted(String id) {
        judgement.refresh(find(id));
        IntakeEntity intake = find(id);
        mustBeInReview(intake);
        List<IntakeItemEntity> included = items.findByIntakeIdAndGoesInTrueOrderByPosition(id);
        if (included.isEmpty()) {
            throw Fault.invalid("No file of this intake is marked to go in.");
        }
        included.stream()
                .map(IntakeItemEntity::sha256)
                .distinct()
                .filter(sha256 -> !store.has(sha256))
                .forEach(sha256 -> store(id, sha256));
        List<Added> added = families.add(included.stream()
                .map(item -> new Incoming(
                        item.family(),
                        item.path(),
                        item.sha256(),
                        item.bytes(),
                        item.facts().format(),
                        item.slot(),
                        item.facts().toFileFacts()))
                .toList());
        for (int i = 0; i < included.size(); i++) {
            included.get(i).accepted(added.get(i).fileId());
        }
        items.saveAll(included);
        intake = find(id);
        intake.move(IntakeState.ACCEPTED, clock.instant());
        intakes.saveAndFlush(intake);
        String uploads = String.join(", ", intake.uploads());
        String entry = history.record(Deed.of(
                        "intake",
                        id,
                        uploads,
                        "Accepted " + included.size() + (included.size() == 1 ? " file" : " files") + " from "
                                + uploads)
                .undoneBy(new Reversal(ACCEPTED, List.of(id))));
        return new Accepted(
                included.size(), added.stream().map(Added::familyId).distinct().toList(), entry);
    }

    /** Throws an intake away; gives the entry of the history by which it is taken back. */
    @Transactional
    public String discard(String id) {
        changes.begin();
        IntakeEntity intake = find(id);
        if (intake.state() != IntakeState.REVIEW && intake.state() != IntakeState.FAILED) {
            throw Fault.conflict("This intake is " + intake.state().name().toLowerCase(Locale.ROOT)
                    + ", so it cannot be thrown away.");
        }
        boolean readable = intake.state() == IntakeState.REVIEW;
        intake.move(IntakeState.DISCARDED, clock.instant());
        String uploads = String.join(", ", intake.uploads());
        Deed deed = Deed.of("intake", id, uploads, "Threw away " + uploads);
        return history.record(readable ? deed.undoneBy(new Reversal(DISCARDED, List.of(id))) : deed);
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(ACCEPTED) || kind.equals(DISCARDED);
    }

    @Override
    public void reverse(Reversal reversal) {
        String id = reversal.ids().get(0);
        if (!staging.intakes().contains(id)) {
            throw Fault.conflict("The files of this intake were put away by now, so it cannot be opened again.");
        }
        if (reversal.kind().equals(ACCEPTED)) {
            List<IntakeItemEntity> in = items.findByIntakeIdAndGoesInTrueOrderByPosition(id);
            families.takeBack(in.stream()
                    .map(IntakeItemEntity::faceFileId)
                    .filter(Objects::nonNull)
                    .toList());
            in.forEach(item -> item.accepted(null));
        }
        IntakeEntity intake = find(id);
        intake.move(IntakeState.REVIEW, null);
        intakes.saveAndFlush(intake);
        judgement.judge(intake);
        intakes.save(intake);
    }

    /** Where the bytes of a file of an intake are: with the intake, or in the store once it was accepted. */
    @Transactional(readOnly = true)
    public Path bytes(String id, String itemId) {
        find(id);
        IntakeItemEntity item = findItem(id, itemId);
        if (item.kind() != Kind.FONT && item.kind() != Kind.LICENSE_TEXT) {
            throw Fault.notFound("kept file", itemId);
        }
        return staging.has(id, item.sha256()) ? staging.file(id, item.sha256()) : store.file(item.sha256());
    }

    private static FileRow row(IntakeItemEntity item) {
        Facts facts = item.facts();
        return new FileRow(
                item.id(),
                item.path(),
                item.bytes(),
                item.sha256(),
                item.verdict().orElse(otherwise(item.kind())),
                item.verdict().isPresent() ? item.because() : item.reason(),
                item.goesIn(),
                item.kind() == Kind.FONT,
                item.family(),
                SlotView.of(item.slot()),
                facts.subfamily(),
                facts.format().key(),
                facts.glyphs(),
                facts.codePoints(),
                facts.sample(),
                facts.version(),
                facts.embedding(),
                facts.license(),
                facts.evidence(),
                facts.notes());
    }

    /** What is shown of a file while its intake is still being read. */
    private static Verdict otherwise(Kind kind) {
        return switch (kind) {
            case FONT -> Verdict.NEW_FACE;
            case LICENSE_TEXT -> Verdict.LICENSE_TEXT;
            case NOT_A_FONT -> Verdict.NOT_A_FONT;
            case DAMAGED -> Verdict.DAMAGED;
        };
    }

    private static void mustBeInReview(IntakeEntity intake) {
        if (intake.state() != IntakeState.REVIEW) {
            throw Fault.conflict("This intake is not under review: it is "
                    + intake.state().name().toLowerCase(Locale.ROOT) + ".");
        }
    }

    private IntakeEntity find(String id) {
        return intakes.findById(id).orElseThrow(() -> Fault.notFound("intake", id));
    }

    private IntakeItemEntity findItem(String id, String itemId) {
        return items.findById(itemId)
                .filter(item -> item.intakeId().equals(id))
                .orElseThrow(() -> Fault.notFound("file in this intake", itemId));
    }
}
