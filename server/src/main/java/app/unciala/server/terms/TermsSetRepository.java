package app.unciala.server.terms;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface TermsSetRepository extends JpaRepository<TermsSetEntity, String> {
    List<TermsSetEntity> findAllByOrderByNameAscIdAsc(Limit most);
}
