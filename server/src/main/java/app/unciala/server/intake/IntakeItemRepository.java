package app.unciala.server.intake;

import app.unciala.server.intake.IntakeFamilies.Row;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.intake.Verdicts.Judgeable;
import java.util.Collection;
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

    List<IntakeItemEntity> findByIntakeIdAndKindInOrderByPosition(String intakeId, Collection<Kind> kinds);

    List<IntakeItemEntity> findByIntakeIdAndFamilyKeyInOrderByPosition(String intakeId, Collection<String> familyKeys);

    /** The fonts of an intake as they are grouped. */
    @Query("select new app.unciala.server.intake.IntakeFamilies$Row(i.familyKey, i.openLicense, i.verdict, i.goesIn,"
            + " i.included is not null) from IntakeItemEntity i where i.intakeId = :intakeId and i.kind = FONT"
            + " and i.verdict <> '' order by i.position")
    List<Row> rows(String intakeId);

    /** What a license text is found for. */
    @Query(
            "select new app.unciala.server.intake.CameWith$Item(i.id, i.path, case when i.kind = FONT then true else false end,"
                    + " i.openLicense) from IntakeItemEntity i where i.intakeId = :intakeId and i.kind in (FONT, LICENSE_TEXT)"
                    + " order by i.position")
    List<CameWith.Item> cameWith(String intakeId);

    List<IntakeItemEntity> findFirst500ByIntakeIdAndKindNotOrderByKindAscPositionAsc(String intakeId, Kind kind);

    Window<IntakeItemEntity> findByIntakeId(String intakeId, ScrollPosition position, Sort sort, Limit limit);

    /** What a verdict is made from, without the facts that only people look at. */
    @Query("select new app.unciala.server.intake.Verdicts$Judgeable(i.id, i.path, i.kind, i.reason, i.sha256,"
            + " i.drawing, i.format, i.family, i.familyKey, i.slot, i.codePoints, i.fontVersion, i.contradiction,"
            + " i.sketch, i.nearFileId, i.nearAlike, i.included, i.verdict, i.because, i.goesIn)"
            + " from IntakeItemEntity i where i.intakeId = :intakeId order by i.position")
    List<Judgeable> judgeable(String intakeId);

    @Modifying
    @Query("update IntakeItemEntity i set i.openLicense = :license where i.id in (:ids)")
    void cameUnder(String license, Collection<String> ids);

    @Modifying
    @Query("delete from IntakeItemEntity i where i.intakeId = :intakeId")
    void deleteByIntakeId(String intakeId);
}
