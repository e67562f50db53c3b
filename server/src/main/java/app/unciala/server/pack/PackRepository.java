package app.unciala.server.pack;

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

interface PackRepository extends JpaRepository<PackEntity, String> {
    Window<PackEntity> findBySiteId(String siteId, ScrollPosition position, Sort sort, Limit limit);

    Optional<PackEntity> findFirstBySiteIdAndMadeAtBeforeOrderByMadeAtDescIdAsc(String siteId, Instant madeAt);

    /** The latest pack of each of the sites. */
    @Query("select p from PackEntity p where p.siteId in :siteIds and not exists (select 1 from PackEntity q"
            + " where q.siteId = p.siteId and (q.madeAt > p.madeAt or q.madeAt = p.madeAt and q.id < p.id))")
    List<PackEntity> latestOf(Collection<String> siteIds);
}
