package app.unciala.server.intake;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface IntakeRepository extends JpaRepository<IntakeEntity, String> {
    List<IntakeEntity> findAllByOrderByCreatedAtDesc();

    List<IntakeEntity> findByState(IntakeState state);
}
