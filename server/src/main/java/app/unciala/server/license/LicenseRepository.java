package app.unciala.server.license;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface LicenseRepository extends JpaRepository<LicenseEntity, String> {
    List<LicenseEntity> findAllByOrderByName();
}
