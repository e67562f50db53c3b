package app.unciala.server.history;

import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.JpaSpecificationExecutor;

interface HistoryRepository extends JpaRepository<HistoryEntry, Long>, JpaSpecificationExecutor<HistoryEntry> {}
