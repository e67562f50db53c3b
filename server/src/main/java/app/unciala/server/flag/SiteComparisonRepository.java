package app.unciala.server.flag;

import org.springframework.data.jpa.repository.JpaRepository;

interface SiteComparisonRepository extends JpaRepository<SiteComparison, String> {}
