package app.unciala.server.intake;

import app.unciala.core.sentence.Sentences;
import app.unciala.font.face.Classification;
import app.unciala.font.face.Evidence;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.FlagService;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.intake.IntakeFamilies.Group;
import app.unciala.server.intake.IntakeFamilies.Overview;
import app.unciala.server.intake.IntakeItemEntity.Facts;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import app.unciala.server.job.Jobs;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import app.unciala.server.storage.StagingArea;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
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
    private static final String DISCARDED = "intake thrown away";

    private final IntakeRepository intakes;
    private final IntakeItemRepository items;
    private final StagingArea staging;
    private final IntakeFamilies groups;
    private final Acceptance acceptance;
    private final Judgement judgement;
    private final OneTimeTask<Void> readIntake;
    private final Jobs jobs;
    private final FlagService flags;
    private final HistoryService history;
    private final Actor actor;
    private final Changes changes;
    private final ApplicationEventPublisher events;
    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final Clock clock;

    IntakeService(
            IntakeRepository intakes,
            IntakeItemRepository items,
            StagingArea staging,
            IntakeFamilies groups,
            Acceptance acceptance,
            Judgement judgement,
            OneTimeTask<Void> readIntake,
            Jobs jobs,
            FlagService flags,
            HistoryService history,
            Actor actor,
            Changes changes,
            ApplicationEventPublisher events,
            JdbcClient database,
            TransactionTemplate transaction,
            Clock clock) {
        this.intakes = intakes;
        this.items = items;
        this.staging = staging;
        this.groups = groups;
        this.acceptance = acceptance;
        this.judgement = judgement;
        this.readIntake = readIntake;
        this.jobs = jobs;
        this.flags = flags;
        this.history = history;
        this.actor = actor;
        this.changes = changes;
        this.events = events;
        this.database = database;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** An intake was discarded, be it while it was read. */
    record Discarded(String id) {}

    /** A file as it is dropped. */
    public record Upload(String name, StagingArea.Upload file) {}

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
            String openLicense,
            String foundry,
            String classification,
            boolean asks,
            boolean replaces,
            List<Evidence> evidence,
            List<String> notes,
            List<String> warnings) {}

    /** An intake with some of its rows, in the order in which they were found; {@code next} asks for what follows. */
    public record Intake(
            Summary summary,
            IntakeState state,
            List<VerdictCount> verdicts,
            List<FileRow> rows,

            @Schema(types = {"string", "null"}) @Nullable String next) {}

    /**
     * What a person corrects or decides; what is left out stays. A file that {@code replaces} takes the place of the
     * version that is held, which is kept as superseded.
     */
    public record Correction(
            @Nullable String family,
            @Nullable SlotView slot,
            @Nullable String foundry,
            @Nullable Classification classification,
            @Nullable Boolean included,
            @Nullable Boolean replaces) {
        /** Lets it go in, whatever its verdict. */
        public static Correction include() {
            return new Correction(null, null, null, null, true, null);
        }
    }

    /**
     * Puts down what was dropped, and has it read.
     *
     * @param flagId the flag that the drop is to answer, if any
     */
    public String open(List<Upload> uploads, @Nullable String flagId) {
        if (uploads.isEmpty()) {
            throw Fault.invalid("files", "Drop at least one file.");
        }
        if (flagId != null) {
            flags.get(flagId);
        }
        String id = Ids.next();
        try {
            long total = keep(id, uploads);
            List<String> names = uploads.stream()
                    .map(upload -> Texts.cut(upload.name(), 1000))
                    .toList();
            IntakeEntity intake = new IntakeEntity(id, clock.instant(), actor.name(), names, total, flagId);
            transaction.executeWithoutResult(status -> intakes.save(intake));
        } catch (RuntimeException e) {
            staging.clear(id);
            throw e;
        }
        jobs.soon(readIntake, id);
        return id;
    }

    private long keep(String id, List<Upload> uploads) {
        long total = 0;
        for (int i = 0; i < uploads.size(); i++) {
            total += staging.putUpload(id, i, uploads.get(i).file());
        }
        return total;
    }

    @Transactional(readOnly = true)
    public Page<Summary> list(@Nullable String cursor, int limit) {
        KeysetScrollPosition position = Cursor.read(cursor, Cursor.keys(LATEST_FIRST, Instant.EPOCH, ""));
        return Page.of(intakes.findAllBy(position, LATEST_FIRST, Cursor.limit(limit)), IntakeEntity::toSummary);
    }

    @Transactional(readOnly = true)
    public Summary summary(String id) {
        return find(id).toSummary();
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

    /** The families of an intake, those first on which somebody has to decide. */
    @Transactional
    public Page<Group> families(String id, @Nullable String cursor, int limit) {
        judgement.refresh(find(id));
        return groups.page(id, cursor, limit);
    }

    /** What an intake comes to, once it was read. */
    @Transactional
    public Overview overview(String id) {
        judgement.refresh(find(id));
        return groups.overview(id, find(id).flagId().map(flags::get));
    }

    /** The files of one family of an intake, in the order in which they were found. */
    @Transactional
    public List<FileRow> ofFamily(String id, String familyKey) {
        judgement.refresh(find(id));
        return fonts(id, familyKey).map(IntakeService::row).toList();
    }

    private Stream<IntakeItemEntity> fonts(String id, String familyKey) {
        return items.findByIntakeIdAndFamilyKeyInOrderByPosition(id, List.of(familyKey)).stream()
                .filter(item -> item.kind() == Kind.FONT);
    }

    /** What was set aside: license texts, what is no font, and what cannot be read. */
    @Transactional(readOnly = true)
    public List<FileRow> others(String id) {
        find(id);
        return items.findFirst500ByIntakeIdAndKindNotOrderByKindAscPositionAsc(id, Kind.FONT).stream()
                .map(IntakeService::row)
                .toList();
    }

    @Transactional
    public FileRow correct(String id, String itemId, Correction correction) {
        changes.begin();
        IntakeEntity intake = find(id);
        intake.mustBeInReview();
        IntakeItemEntity item = findItem(id, itemId);
        if (item.kind() != Kind.FONT) {
            throw Fault.invalid("item", Texts.baseName(item.path()) + " isn’t a font, so there is nothing to correct.");
        }
        apply(correction, item);
        judgement.judge(intake);
        history.record(Deed.of("intake", id, Texts.baseName(item.path()), "Corrected " + Texts.baseName(item.path())));
        return row(findItem(id, itemId));
    }

    /** Corrects all files of a family at once; gives how many they are. */
    @Transactional
    public int correctFamily(String id, String familyKey, Correction correction) {
        changes.begin();
        IntakeEntity intake = find(id);
        intake.mustBeInReview();
        List<IntakeItemEntity> members = fonts(id, familyKey).toList();
        if (members.isEmpty()) {
            throw Fault.notFound("family in this intake", familyKey);
        }
        if (correction.slot() != null) {
            throw Fault.invalid("slot", "The files of a family have slots of their own; correct one at a time.");
        }
        members.forEach(item -> apply(correction, item));
        String name = members.get(0).family();
        judgement.judge(intake);
        history.record(Deed.of(
                "intake", id, name, "Corrected " + Sentences.count(members.size(), "file", "files") + " of " + name));
        return members.size();
    }

    private static void apply(Correction correction, IntakeItemEntity item) {
        if (correction.family() != null) {
            item.rename(Texts.familyName("family", correction.family()));
        }
        if (correction.slot() != null) {
            item.place(correction.slot().toSlot());
            item.settle();
        }
        if (correction.foundry() != null) {
            if (correction.foundry().length() > 300) {
                throw Fault.invalid("foundry", "A foundry’s name has at most 300 characters.");
            }
            item.madeBy(correction.foundry().strip());
        }
        if (correction.classification() != null) {
            item.classify(Optional.of(correction.classification()));
        }
        if (correction.replaces() != null) {
            item.replace(correction.replaces());
        }
        if (correction.included() != null) {
            item.decide(correction.included());
        }
    }

    /** Throws an intake away; gives the entry of the history by which it is taken back. */
    @Transactional
    public String discard(String id) {
        changes.begin();
        IntakeEntity intake = find(id);
        if (intake.state() == IntakeState.ACCEPTED || intake.state() == IntakeState.DISCARDED) {
            throw Fault.conflict(
                    "This intake is " + intake.state().name().toLowerCase(Locale.ROOT) + ", so it can’t be discarded.");
        }
        boolean readable = intake.state() == IntakeState.REVIEW;
        events.publishEvent(new Discarded(id));
        intake.move(IntakeState.DISCARDED, clock.instant());
        String uploads = String.join(", ", intake.uploads());
        Deed deed = Deed.of("intake", id, uploads, "Discarded " + uploads);
        return history.record(readable ? deed.undoneBy(new Reversal(DISCARDED, List.of(id))) : deed);
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(Acceptance.ACCEPTED) || kind.equals(DISCARDED);
    }

    @Override
    public void reverse(Reversal reversal) {
        String id = reversal.ids().get(0);
        if (!staging.intakes().contains(id)) {
            throw Fault.conflict("The files of this intake have been deleted, so it can’t be opened again.");
        }
        if (reversal.kind().equals(Acceptance.ACCEPTED)) {
            acceptance.takeBack(id, reversal.ids().subList(1, reversal.ids().size()));
        }
        IntakeEntity intake = find(id);
        intake.move(IntakeState.REVIEW, null);
        intakes.saveAndFlush(intake);
        judgement.judge(intake);
        intakes.save(intake);
    }

    private static FileRow row(IntakeItemEntity item) {
        Facts facts = item.facts();
        return new FileRow(
                item.id(),
                item.path(),
                item.bytes(),
                item.sha256(),
                item.verdictOrKind(),
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
                item.openLicense(),
                item.foundry(),
                item.classification(),
                item.asks(),
                item.replaces(),
                facts.evidence(),
                facts.notes(),
                facts.warnings());
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
