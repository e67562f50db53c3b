package app.unciala.server.check;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface PageReadingRepository extends JpaRepository<PageReadingEntity, String> {
    List<PageReadingEntity> findBySiteIdOrderByUrl(String siteId);

    Optional<PageReadingEntity> findBySiteIdAndUrl(String siteId, String url);

    int countBySiteId(String siteId);

    boolean existsBySiteId(String siteId);
}
