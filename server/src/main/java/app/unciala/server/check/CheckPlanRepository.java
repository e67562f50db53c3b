package app.unciala.server.check;

import org.springframework.data.jpa.repository.JpaRepository;

interface CheckPlanRepository extends JpaRepository<CheckPlanEntity, String> {}
