package app.unciala.server.intake;

import app.unciala.font.drawing.DrawingDigest;
import app.unciala.server.storage.StagingArea;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** After an upgrade that changed how drawings are digested, digests the files under review anew. */
@Component
@Order(0)
class StagedDrawings implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(StagedDrawings.class);

    private final IntakeRepository intakes;
    private final IntakeItemRepository items;
    private final StagingArea staging;

    StagedDrawings(IntakeRepository intakes, IntakeItemRepository items, StagingArea staging) {
        this.intakes = intakes;
        this.items = items;
        this.staging = staging;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments args) {
        for (IntakeEntity intake : intakes.findByState(IntakeState.REVIEW)) {
            for (IntakeItemEntity item : items.findByIntakeIdOrderByPosition(intake.id())) {
                if (item.kind() == ReadFile.Kind.FONT && item.drawingVersion() < DrawingDigest.VERSION) {
                    redraw(item);
                }
            }
        }
    }

    private void redraw(IntakeItemEntity item) {
        try {
            item.redraw(DrawingDigest.of(staging.get(item.intakeId(), item.sha256())));
        } catch (RuntimeException e) {
            LOG.warn("The drawing of {} cannot be read again: {}", item.path(), e.getMessage());
        }
    }
}
