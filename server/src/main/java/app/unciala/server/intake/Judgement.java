package app.unciala.server.intake;

import app.unciala.server.family.HeldFamilies;
import app.unciala.server.intake.Verdicts.Judgeable;
import app.unciala.server.intake.Verdicts.Judged;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Judges all files of an intake in one pass, and keeps the verdicts until the inventory or the intake changes. */
@Component
class Judgement {
    private static final int LONGEST = 3000;

    private final IntakeItemRepository items;
    private final HeldFamilies families;
    private final Changes changes;
    private final EntityManager entities;
    private final JdbcTemplate database;

    Judgement(
            IntakeItemRepository items,
            HeldFamilies families,
            Changes changes,
            EntityManager entities,
            JdbcTemplate database) {
        this.items = items;
        this.families = families;
        this.changes = changes;
        this.entities = entities;
        this.database = database;
    }

    /** Brings the verdicts of an intake under review up to date; in the caller's transaction. */
    void refresh(IntakeEntity intake) {
        if (isOutdated(intake)) {
            // Of several that look at once, one judges; the others wait and find it done.
            changes.begin();
            entities.refresh(intake);
            if (isOutdated(intake)) {
                judge(intake);
            }
        }
    }

    private boolean isOutdated(IntakeEntity intake) {
        return intake.state() == IntakeState.REVIEW && intake.judgedAt() != changes.heldFilesVersion();
    }

    /** Judges all files anew and writes the verdicts that differ. */
    void judge(IntakeEntity intake) {
        entities.flush();
        long version = changes.heldFilesVersion();
        List<Judgeable> all = new ArrayList<>(items.judgeable(intake.id()));
        // Stable, so that files of one rank stay in the order in which they were found.
        all.sort(Comparator.comparingInt(Judgeable::rank));
        Verdicts verdicts = new Verdicts(families.places(
                all.stream()
                        .map(Judgeable::nearFileId)
                        .filter(Objects::nonNull)
                        .distinct()
                        .toList(),
                all.stream()
                        .map(Judgeable::sha256)
                        .filter(key -> !key.isEmpty())
                        .toList(),
                all.stream()
                        .map(Judgeable::drawing)
                        .filter(key -> !key.isEmpty())
                        .toList(),
                all.stream()
                        .map(Judgeable::familyKey)
                        .filter(key -> !key.isEmpty())
                        .toList()));
        List<Object[]> differing = new ArrayList<>();
        for (Judgeable item : all) {
            Judged judged = verdicts.next(item);
            boolean goesIn = Verdicts.goesIn(item, judged);
            String because = Texts.cut(judged.because(), LONGEST);
            if (!item.verdict().equals(judged.verdict().name())
                    || !item.because().equals(because)
                    || item.goesIn() != goesIn) {
                differing.add(new Object[] {judged.verdict().name(), because, goesIn, item.id()});
            }
        }
        database.batchUpdate("update intake_item set verdict = ?, because = ?, goes_in = ? where id = ?", differing);
        intake.judged(version);
        entities.flush();
        entities.clear();
    }
}
