package app.unciala.server.site;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ClientRepository extends JpaRepository<ClientEntity, String> {
    List<ClientEntity> findAllByOrderByName();
}
