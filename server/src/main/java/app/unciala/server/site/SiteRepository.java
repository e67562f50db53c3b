package app.unciala.server.site;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface SiteRepository extends JpaRepository<SiteEntity, String> {
    List<SiteEntity> findAllByOrderByName();
}
