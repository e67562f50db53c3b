package app.unciala.server.check;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SiteCheckRepository extends JpaRepository<SiteCheckEntity, String> {
    Window<SiteCheckEntity> findBySiteId(String siteId, ScrollPosition position, Sort sort, Limit limit);

    List<SiteCheckEntity> findByState(CheckState state);

    List<SiteCheckEntity> findBySiteIdAndStateIn(String siteId, Collection<CheckState> states);

    List<SiteCheckEntity> findBySiteIdOrderByAskedAtDescIdAsc(String siteId);

    Optional<SiteCheckEntity> findFirstBySiteIdAndStateOrderByAskedAtDescIdAsc(String siteId, CheckState state);

    Optional<SiteCheckEntity> findFirstBySiteIdAndStateAndAskedAtBeforeOrderByAskedAtDescIdAsc(
            String siteId, CheckState state, Instant askedAt);

    /** The latest check of each of the sites that came to its end. */
    @Query(
            "select c from SiteCheckEntity c where c.siteId in :siteIds and c.state = app.unciala.server.check.CheckState.DONE"
                    + " and not exists (select 1 from SiteCheckEntity d where d.siteId = c.siteId"
                    + " and d.state = app.unciala.server.check.CheckState.DONE"
                    + " and (d.askedAt > c.askedAt or d.askedAt = c.askedAt and d.id < c.id))")
    List<SiteCheckEntity> latestOf(Collection<String> siteIds);
}
