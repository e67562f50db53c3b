package app.unciala.server.family;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.repository.JpaRepository;

interface FamilyRepository extends JpaRepository<FamilyEntity, String> {
    Optional<FamilyEntity> findByNameKey(String nameKey);

    List<FamilyEntity> findByNameKeyIn(Collection<String> nameKeys);

    Window<FamilyEntity> findByNameKeyContaining(String part, ScrollPosition position, Sort sort, Limit limit);

    Window<FamilyEntity> findAllBy(ScrollPosition position, Sort sort, Limit limit);
}
