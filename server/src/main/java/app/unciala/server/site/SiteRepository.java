package app.unciala.server.site;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.repository.JpaRepository;

interface SiteRepository extends JpaRepository<SiteEntity, String> {
    Window<SiteEntity> findBySearchTextContaining(String words, ScrollPosition position, Sort sort, Limit limit);

    List<SiteEntity> findBySearchTextContaining(String words);

    Window<SiteEntity> findAllBy(ScrollPosition position, Sort sort, Limit limit);

    List<SiteEntity> findByClientIdOrderByName(String clientId);

    List<SiteEntity> findByIdInOrderByNameAscIdAsc(Collection<String> ids);
}
