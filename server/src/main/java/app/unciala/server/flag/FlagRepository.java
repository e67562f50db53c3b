package app.unciala.server.flag;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.JpaSpecificationExecutor;

interface FlagRepository extends JpaRepository<FlagEntity, String>, JpaSpecificationExecutor<FlagEntity> {
    List<FlagEntity> findByOwnerIn(Collection<String> owners);

    List<FlagEntity> findByAcceptedUntilBefore(LocalDate day);
}
