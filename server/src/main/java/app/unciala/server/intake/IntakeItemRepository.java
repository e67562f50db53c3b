package app.unciala.server.intake;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface IntakeItemRepository extends JpaRepository<IntakeItemEntity, String> {
    List<IntakeItemEntity> findByIntakeIdOrderByPosition(String intakeId);

    int countByIntakeId(String intakeId);

    void deleteByIntakeId(String intakeId);
}
