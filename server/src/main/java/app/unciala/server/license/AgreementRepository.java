package app.unciala.server.license;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface AgreementRepository extends JpaRepository<AgreementEntity, String> {
    List<AgreementEntity> findByLicenseIdInOrderByAddedAtDescIdAsc(Collection<String> licenseIds);

    Optional<AgreementEntity> findFirstBySha256OrderByAddedAtDesc(String sha256);
}
