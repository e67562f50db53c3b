package app.unciala.server.pack;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface PackRepository extends JpaRepository<PackEntity, String> {
    List<PackEntity> findBySiteIdOrderByMadeAtDesc(String siteId);
}
