package app.unciala.server.account;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface AccountRepository extends JpaRepository<Account, String> {
    List<Account> findAllByOrderByDisplayName();

    long countByLevelAndRemovedAtIsNull(Level level);
}
