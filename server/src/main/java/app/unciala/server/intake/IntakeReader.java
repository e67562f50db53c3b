package app.unciala.server.intake;

import app.unciala.font.budget.Budget;
import app.unciala.font.budget.BudgetSpentException;
import app.unciala.font.drawing.SketchIndex.Near;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.HeldSketches;
import app.unciala.server.fault.FullDisk;
import app.unciala.server.intake.IntakeProgress.Progress;
import app.unciala.server.intake.IntakeService.Discarded;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.Parts;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.StagingArea;
import com.google.common.base.Throwables;
import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Reads an intake, away from the request. One that was interrupted is read again from its uploads; one that stopped
 * the server twice is failed. However reading ends, the intake is in a state from which a person can go on.
 */
@Component
class IntakeReader {
    private static final Logger LOG = LoggerFactory.getLogger(IntakeReader.class);
    private static final int MAX_ATTEMPTS = 2;
    private static final int BATCH = 20;
    /** How much processor time one file may take; the largest fonts there are take a few seconds. */
    private static final Duration LONGEST = Duration.ofMinutes(1);

    private static final long TELL_EVERY_NANOS = 300_000_000;

    private final IntakeRepository intakes;
    private final IntakeItemRepository items;
    private final StagingArea staging;
    private final Judgement judgement;
    private final FamilyService families;
    private final HeldSketches held;
    private final IntakeProgress progress;
    private final Changes changes;
    private final EntityManager entities;
    private final TransactionTemplate transaction;
    private final Map<String, Reading> underWay = new ConcurrentHashMap<>();

    IntakeReader(
            IntakeRepository intakes,
            IntakeItemRepository items,
            StagingArea staging,
            Judgement judgement,
            FamilyService families,
            HeldSketches held,
            IntakeProgress progress,
            Changes changes,
            EntityManager entities,
            TransactionTemplate transaction) {
        this.intakes = intakes;
        this.items = items;
        this.staging = staging;
        this.judgement = judgement;
        this.families = families;
        this.held = held;
        this.progress = progress;
        this.changes = changes;
        this.entities = entities;
        this.transaction = transaction;
    }

    void read(String intakeId) {
        try {
            IntakeEntity intake = transaction.execute(status -> begin(intakeId));
            if (intake != null && intake.state() == IntakeState.READING) {
                try (Reading reading = new Reading(intake)) {
                    underWay.put(intakeId, reading);
                    reading.run();
                } finally {
                    underWay.remove(intakeId);
                }
            }
        } catch (DiscardedException e) {
            progress.tell(intakeId, new Progress(IntakeState.DISCARDED, 0, 0, 0, ""));
        } catch (RuntimeException | Error e) {
            LOG.error("Intake {} cannot be read", intakeId, e);
            transaction.executeWithoutResult(status -> intakes.findById(intakeId)
                    .ifPresent(intake -> intake.fail(
                            FullDisk.caused(e)
                                    ? FullDisk.SENTENCE
                                    : "The files could not be read: " + e.getMessage()
                                            + ". Discard this intake and drop them again, fewer at a time.")));
            progress.tell(intakeId, new Progress(IntakeState.FAILED, 0, 0, 0, ""));
        }
    }

    /** Ends the reading of an intake that was discarded. */
    @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
    void stop(Discarded discarded) {
        Reading reading = underWay.get(discarded.id());
        if (reading != null) {
            reading.stopped = true;
        }
    }

    /** The intake that is read was discarded, so there is nothing more to do. */
    private static final class DiscardedException extends RuntimeException {
        private static final long serialVersionUID = 1;
    }

    private IntakeEntity begin(String intakeId) {
        IntakeEntity intake = intakes.findById(intakeId).orElseThrow();
        if (intake.state() == IntakeState.READING) {
            items.deleteByIntakeId(intakeId);
            intake.begin();
            if (intake.attempts() > MAX_ATTEMPTS) {
                intake.fail("Reading it stopped the server twice. Drop the files again, fewer at a time.");
            }
        }
        return intake;
    }

    /** A file as read, and the held face that is drawn most like it. */
    private record Examined(ReadFile file, String sha256, Optional<Near<String>> near) {}

    /**
     * One run over the uploads of an intake, saving in batches. The archive is unpacked by one thread; what its files are
     * is found out by several, and taken down in the order of the archive.
     */
    private final class Reading implements ArchiveReader.Sink, AutoCloseable {
        /** One more than can work at once, since each waits for the disk now and then. */
        private static final int THREADS = 1 + Runtime.getRuntime().availableProcessors();
        /** How many files are unpacked at most before what comes of them is taken down. */
        private static final int AHEAD = 2 * THREADS;

        private final ExecutorService threads = Executors.newFixedThreadPool(THREADS);
        private final Deque<Future<List<Examined>>> underway = new ArrayDeque<>();
        private final IntakeEntity intake;
        private final List<IntakeItemEntity> batch = new ArrayList<>();
        private int position;
        private long doneBefore;
        private long done;
        private long told = System.nanoTime();
        private String latest = "";
        private volatile boolean stopped;

        Reading(IntakeEntity intake) {
            this.intake = intake;
        }

        void run() {
            ArchiveReader reader = new ArchiveReader(this);
            List<String> uploads = intake.uploads();
            for (int i = 0; i < uploads.size(); i++) {
                Path upload = staging.upload(intake.id(), i);
                reader.read(uploads.get(i), upload);
                takeDown(0);
                doneBefore += size(upload);
                done = doneBefore;
                flush();
            }
            transaction.executeWithoutResult(status -> {
                changes.begin();
                CameWith.of(items.cameWith(intake.id()))
                        .forEach((license, fonts) -> Parts.of(fonts, part -> items.cameUnder(license, part)));
                IntakeEntity read = reading();
                read.move(IntakeState.REVIEW, null);
                judgement.judge(read);
            });
            tell(IntakeState.REVIEW, "");
        }

        @Override
        public void file(String path, byte[] bytes) {
            if (stopped) {
                throw new DiscardedException();
            }
            underway.add(threads.submit(() -> examine(path, bytes)));
            takeDown(AHEAD);
        }

        @Override
        public void refused(String path, long bytes, String reason) {
            takeDown(0);
            add(IntakeItemEntity.refused(Ids.next(), intake.id(), position++, path, bytes, reason));
        }

        private List<Examined> examine(String path, byte[] bytes) {
            List<Examined> found = new ArrayList<>();
            try {
                Budget.within(LONGEST, () -> stopped, () -> {
                    ReadFile.read(path, bytes, (file, own) -> found.add(examined(file, own)));
                    return found;
                });
            } catch (BudgetSpentException e) {
                found.add(new Examined(
                        ReadFile.none(path, bytes.length, Kind.DAMAGED, String.valueOf(e.getMessage())),
                        FileStore.sha256(bytes),
                        Optional.empty()));
            }
            return found;
        }

        private Examined examined(ReadFile file, byte[] bytes) {
            String sha256 = FileStore.sha256(bytes);
            if (file.kind().isKept()) {
                staging.put(intake.id(), sha256, bytes);
            }
            families.mend(sha256, bytes);
            return new Examined(
                    file,
                    sha256,
                    file.font().flatMap(font -> held.nearest(font.facts().sketch(), Verdicts.COPY, 1).stream()
                            .findFirst()));
        }

        /** Takes down what was found out, until no more than so many files are under way. */
        private void takeDown(int most) {
            while (underway.size() > most) {
                for (Examined examined : result(underway.remove())) {
                    IntakeItemEntity item = new IntakeItemEntity(
                            Ids.next(), intake.id(), position++, examined.file(), examined.sha256());
                    examined.near().ifPresent(near -> item.near(near.key(), near.alike()));
                    add(item);
                }
            }
        }

        private List<Examined> result(Future<List<Examined>> examined) {
            try {
                return examined.get();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("reading was stopped", e);
            } catch (ExecutionException e) {
                Throwable cause = Objects.requireNonNullElse(e.getCause(), e);
                Throwables.throwIfUnchecked(cause);
                throw new IllegalStateException(cause);
            }
        }

        @Override
        public void close() {
            threads.shutdownNow();
        }

        @Override
        public void progress(long bytes) {
            done = doneBefore + bytes;
            if (System.nanoTime() - told > TELL_EVERY_NANOS) {
                flush();
            }
        }

        private void tell(IntakeState state, String path) {
            progress.tell(
                    intake.id(), new Progress(state, done, intake.toSummary().totalBytes(), position, path));
        }

        private void add(IntakeItemEntity item) {
            latest = item.path();
            batch.add(item);
            if (batch.size() >= BATCH) {
                flush();
            }
        }

        private void flush() {
            transaction.executeWithoutResult(status -> {
                batch.forEach(entities::persist);
                reading().progress(done, position);
            });
            tell(IntakeState.READING, latest);
            batch.clear();
            told = System.nanoTime();
        }

        /** The intake as it stands now, as long as it is to be read. */
        private IntakeEntity reading() {
            return intakes.findById(intake.id())
                    .filter(one -> one.state() == IntakeState.READING)
                    .orElseThrow(DiscardedException::new);
        }

        private long size(Path upload) {
            try {
                return Files.size(upload);
            } catch (IOException e) {
                return 0;
            }
        }
    }
}
