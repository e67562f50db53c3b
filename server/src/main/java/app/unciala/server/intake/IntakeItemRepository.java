package app.unciala.server.intake;

import app.unciala.server.intake.Verdicts.Judgeable;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface IntakeItemRepository extends JpaRepository<IntakeItemEntity, String> {
    List<IntakeItemEntity> findByIntakeIdOrderByPosition(String intakeId);

    List<IntakeItemEntity> findByIntakeIdAndGoesInTrueOrderByPosition(String intakeId);

    Window<IntakeItemEntity> findByIntakeId(String intakeId, ScrollPosition position, Sort sort, Limit limit);

    /** What a verdict is made from, without the facts that only people look at. */
    @Query("select new app.unciala.server.intake.Verdicts$Judgeable(i.id, i.path, i.kind, i.reason, i.sha256,"
            + " i.drawing, i.format, i.family, i.familyKey, i.slot, i.included, i.verdict, i.because, i.goesIn)"
            + " from IntakeItemEntity i where i.intakeId = :intakeId order by i.position")
    List<Judgeable> judgeable(String intakeId);

    @Modifying
    @Query("delete from IntakeItemEntity i where i.intakeId = :intakeId")
    void deleteByIntakeId(String intakeId);
}
