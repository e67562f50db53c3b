package app.unciala.server.intake;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.repository.JpaRepository;

interface IntakeRepository extends JpaRepository<IntakeEntity, String> {
    Window<IntakeEntity> findAllBy(ScrollPosition position, Sort sort, Limit limit);

    List<IntakeEntity> findByState(IntakeState state);

    long countByStateIn(List<IntakeState> states);
}
