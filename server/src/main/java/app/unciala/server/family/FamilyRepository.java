package app.unciala.server.family;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface FamilyRepository extends JpaRepository<FamilyEntity, String> {
    Optional<FamilyEntity> findByNameKey(String nameKey);

    List<FamilyEntity> findByNameKeyIn(Collection<String> nameKeys);
}
