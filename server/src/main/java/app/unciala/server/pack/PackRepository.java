package app.unciala.server.pack;

import org.springframework.data.domain.Limit;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.repository.JpaRepository;

interface PackRepository extends JpaRepository<PackEntity, String> {
    Window<PackEntity> findBySiteId(String siteId, ScrollPosition position, Sort sort, Limit limit);
}
