package app.unciala.server.site;

import org.springframework.data.domain.Limit;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.repository.JpaRepository;

interface ClientRepository extends JpaRepository<ClientEntity, String> {
    Window<ClientEntity> findAllBy(ScrollPosition position, Sort sort, Limit limit);
}
