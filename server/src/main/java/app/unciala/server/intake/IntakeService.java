package app.unciala.server.intake;

import app.unciala.core.face.Evidence;
import app.unciala.core.face.FaceReport;
import app.unciala.core.font.FontReader;
import app.unciala.server.family.FamilyService;
import app.unciala.server.history.HistoryService;
import app.unciala.server.http.Ids;
import app.unciala.server.http.Problem;
import app.unciala.server.http.SlotView;
import app.unciala.server.intake.IntakeItemEntity.Facts;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.intake.Verdicts.Judged;
import app.unciala.server.intake.Verdicts.Verdict;
import app.unciala.server.storage.StagingArea;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Intakes from the drop to the inventory. */
@Service
public class IntakeService {
    private final IntakeRepository intakes;
    private final IntakeItemRepository items;
    private final StagingArea staging;
    private final FamilyService families;
    private final IntakeReader reader;
    private final HistoryService history;
    private final TransactionTemplate transaction;
    private final Clock clock;

    IntakeService(
            IntakeRepository intakes,
            IntakeItemRepository items,
            StagingArea staging,
            FamilyService families,
            IntakeReader reader,
            HistoryService history,
            TransactionTemplate transaction,
            Clock clock) {
        this.intakes = intakes;
        this.items = items;
        this.staging = staging;
        this.families = families;
        this.reader = reader;
        this.history = history;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** A file as it is dropped; {@code open} gives its bytes once. */
    public record Upload(String name, long bytes, Source open) {}

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

    public record Intake(Summary summary, IntakeState state, List<FileRow> rows) {}

    /** What a person corrects or decides; what is left out stays. */
    public record Correction(
            @Nullable String family,
            @Nullable SlotView slot,
            @Nullable Boolean included) {}

    public record Accepted(int files, List<String> familyIds) {}

    public String open(List<Upload> uploads) {
        if (uploads.isEmpty()) {
            throw Problem.invalid("Drop at least one file.");
        }
        String id = Ids.next();
        long total = 0;
        for (int i = 0; i < uploads.size(); i++) {
            try (InputStream in = uploads.get(i).open().open()) {
                staging.putUpload(id, i, in);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            total += uploads.get(i).bytes();
        }
        List<String> names = uploads.stream().map(Upload::name).toList();
        IntakeEntity intake = new IntakeEntity(id, clock.instant(), HistoryService.currentName(), names, total);
        transaction.executeWithoutResult(status -> intakes.save(intake));
        reader.submit(id);
        return id;
    }

    @Transactional(readOnly = true)
    public List<Summary> all() {
        return intakes.findAllByOrderByCreatedAtDesc().stream()
                .map(this::summary)
                .toList();
    }

    @Transactional(readOnly = true)
    public Intake get(String id) {
        IntakeEntity intake = find(id);
        List<FileRow> rows = new ArrayList<>();
        Verdicts verdicts = new Verdicts(intake.state() == IntakeState.ACCEPTED ? List.of() : families.all());
        for (IntakeItemEntity item : items.findByIntakeIdOrderByPosition(id)) {
            rows.add(row(item, verdicts.next(item)));
        }
        return new Intake(summary(intake), intake.state(), rows);
    }

    @Transactional
    public void correct(String id, String itemId, Correction correction) {
        mustBeInReview(find(id));
        IntakeItemEntity item = findItem(id, itemId);
        if (item.kind() != Kind.FONT) {
            throw Problem.invalid(item.path() + " is no font, so there is nothing to correct.");
        }
        if (correction.family() != null) {
            if (correction.family().isBlank() || correction.family().length() > 300) {
                throw Problem.invalid("A family name has between 1 and 300 characters.");
            }
            item.rename(correction.family().strip());
        }
        if (correction.slot() != null) {
            item.place(correction.slot().toSlot());
        }
        if (correction.included() != null) {
            item.decide(correction.included());
        }
    }

    /** Puts the included fonts into the inventory; only now do they count as held. */
    @Transactional
    public Accepted accept(String id) {
        IntakeEntity intake = find(id);
        mustBeInReview(intake);
        List<String> familyIds = new ArrayList<>();
        int count = 0;
        Verdicts verdicts = new Verdicts(families.all());
        for (IntakeItemEntity item : items.findByIntakeIdOrderByPosition(id)) {
            if (!row(item, verdicts.next(item)).included()) {
                continue;
            }
            byte[] bytes = staging.get(id, item.sha256());
            FaceReport report = FaceReport.of(FontReader.read(bytes).faces().get(0));
            String familyId = families.findOrCreate(item.family()).id();
            families.add(familyId, item.path(), bytes, item.facts().format(), item.slot(), report);
            count++;
            if (!familyIds.contains(familyId)) {
                familyIds.add(familyId);
            }
        }
        if (count == 0) {
            throw Problem.invalid("No file of this intake is marked to go in.");
        }
        intake.move(IntakeState.ACCEPTED);
        history.record(
                "intake",
                id,
                "Accepted " + count + (count == 1 ? " file" : " files") + " from "
                        + String.join(", ", intake.uploads()));
        return new Accepted(count, familyIds);
    }

    @Transactional
    public void discard(String id) {
        IntakeEntity intake = find(id);
        if (intake.state() != IntakeState.REVIEW && intake.state() != IntakeState.FAILED) {
            throw Problem.conflict("This intake is " + intake.state().name().toLowerCase(Locale.ROOT)
                    + ", so it cannot be thrown away.");
        }
        intake.move(IntakeState.DISCARDED);
        history.record("intake", id, "Threw away " + String.join(", ", intake.uploads()));
        staging.clear(id);
    }

    @Transactional(readOnly = true)
    public byte[] bytes(String id, String itemId) {
        find(id);
        IntakeItemEntity item = findItem(id, itemId);
        if (item.kind() != Kind.FONT && item.kind() != Kind.LICENSE_TEXT) {
            throw Problem.notFound("kept file", itemId);
        }
        return staging.get(id, item.sha256());
    }

    private static FileRow row(IntakeItemEntity item, Judged judged) {
        Facts facts = item.facts();
        Boolean decided = item.included();
        boolean isFont = item.kind() == Kind.FONT;
        return new FileRow(
                item.id(),
                item.path(),
                item.bytes(),
                item.sha256(),
                judged.verdict(),
                judged.because(),
                isFont && (decided != null ? decided : judged.verdict().goesIn()),
                isFont,
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

    private Summary summary(IntakeEntity intake) {
        return intake.toSummary(items.countByIntakeId(intake.id()));
    }

    private static void mustBeInReview(IntakeEntity intake) {
        if (intake.state() != IntakeState.REVIEW) {
            throw Problem.conflict("This intake is not under review: it is "
                    + intake.state().name().toLowerCase(Locale.ROOT) + ".");
        }
    }

    private IntakeEntity find(String id) {
        return intakes.findById(id).orElseThrow(() -> Problem.notFound("intake", id));
    }

    private IntakeItemEntity findItem(String id, String itemId) {
        return items.findById(itemId)
                .filter(item -> item.intakeId().equals(id))
                .orElseThrow(() -> Problem.notFound("file in this intake", itemId));
    }
}
