package app.unciala.server.check;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface CheckedPageRepository extends JpaRepository<CheckedPageEntity, String> {
    Optional<CheckedPageEntity> findByCheckIdAndPosition(String checkId, int position);

    void deleteByCheckId(String checkId);
}
