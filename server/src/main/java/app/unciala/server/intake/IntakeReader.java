package app.unciala.server.intake;

import app.unciala.server.http.Ids;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.StagingArea;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Reads intakes one after another, away from the request. An intake found unfinished at the start is read again from
 * its uploads; one that stopped the server twice is failed.
 */
@Component
class IntakeReader {
    private static final Logger LOG = LoggerFactory.getLogger(IntakeReader.class);
    private static final int MAX_ATTEMPTS = 2;
    private static final int BATCH = 20;

    private final IntakeRepository intakes;
    private final IntakeItemRepository items;
    private final StagingArea staging;
    private final TransactionTemplate transaction;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(r -> new Thread(r, "intake-reader"));

    IntakeReader(
            IntakeRepository intakes,
            IntakeItemRepository items,
            StagingArea staging,
            TransactionTemplate transaction) {
        this.intakes = intakes;
        this.items = items;
        this.staging = staging;
        this.transaction = transaction;
    }

    @EventListener(ApplicationReadyEvent.class)
    void resume() {
        intakes.findByState(IntakeState.READING).forEach(intake -> submit(intake.id()));
    }

    @PreDestroy
    void stop() {
        worker.shutdownNow();
    }

    void submit(String intakeId) {
        worker.execute(() -> read(intakeId));
    }

    private void read(String intakeId) {
        try {
            IntakeEntity intake = transaction.execute(status -> begin(intakeId));
            if (intake != null && intake.state() == IntakeState.READING) {
                new Reading(intake).run();
            }
        } catch (RuntimeException e) {
            LOG.error("Intake {} cannot be read", intakeId, e);
            transaction.executeWithoutResult(status -> intakes.findById(intakeId)
                    .ifPresent(intake -> intake.fail("The files could not be read: " + e.getMessage())));
        }
    }

    private IntakeEntity begin(String intakeId) {
        IntakeEntity intake = intakes.findById(intakeId).orElseThrow();
        items.deleteByIntakeId(intakeId);
        intake.begin();
        if (intake.attempts() > MAX_ATTEMPTS) {
            intake.fail("Reading it stopped the server twice. Drop the files again, fewer at a time.");
        }
        return intake;
    }

    /** One run over the uploads of an intake, saving in batches. */
    private final class Reading implements ArchiveReader.Sink {
        private final IntakeEntity intake;
        private final List<IntakeItemEntity> batch = new ArrayList<>();
        private int position;
        private long done;

        Reading(IntakeEntity intake) {
            this.intake = intake;
        }

        void run() {
            ArchiveReader reader = new ArchiveReader(this);
            List<String> uploads = intake.uploads();
            for (int i = 0; i < uploads.size(); i++) {
                Path upload = staging.upload(intake.id(), i);
                reader.read(uploads.get(i), upload);
                done += size(upload);
                flush();
            }
            transaction.executeWithoutResult(
                    status -> intakes.findById(intake.id()).orElseThrow().move(IntakeState.REVIEW));
        }

        @Override
        public void file(String path, byte[] bytes) {
            for (ReadFile file : ReadFile.of(path, bytes)) {
                String sha256 = FileStore.sha256(file.bytes());
                if (file.kind() == ReadFile.Kind.FONT || file.kind() == ReadFile.Kind.LICENSE_TEXT) {
                    staging.put(intake.id(), sha256, file.bytes());
                }
                add(new IntakeItemEntity(Ids.next(), intake.id(), position++, file, sha256));
            }
        }

        @Override
        public void refused(String path, long bytes, String reason) {
            add(IntakeItemEntity.refused(Ids.next(), intake.id(), position++, path, bytes, reason));
        }

        private void add(IntakeItemEntity item) {
            batch.add(item);
            if (batch.size() >= BATCH) {
                flush();
            }
        }

        private void flush() {
            transaction.executeWithoutResult(status -> {
                items.saveAll(batch);
                intakes.findById(intake.id()).orElseThrow().progress(done);
            });
            batch.clear();
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
