package app.unciala.server.history;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface HistoryRepository extends JpaRepository<HistoryEntry, Long> {
    List<HistoryEntry> findTop500ByOrderByIdDesc();
}
