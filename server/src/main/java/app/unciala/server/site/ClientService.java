package app.unciala.server.site;

import app.unciala.server.history.HistoryService;
import app.unciala.server.http.Ids;
import app.unciala.server.http.Problem;
import app.unciala.server.http.Versions;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The agency's clients. */
@Service
public class ClientService {
    private final ClientRepository clients;
    private final HistoryService history;

    ClientService(ClientRepository clients, HistoryService history) {
        this.clients = clients;
        this.history = history;
    }

    public record Client(String id, long version, String name) {}

    @Transactional(readOnly = true)
    public List<Client> all() {
        return clients.findAllByOrderByName().stream()
                .map(ClientEntity::toRecord)
                .toList();
    }

    @Transactional(readOnly = true)
    public Client get(String id) {
        return find(id).toRecord();
    }

    @Transactional
    public Client create(String name) {
        ClientEntity client = clients.saveAndFlush(new ClientEntity(Ids.next(), checked(name)));
        history.record("client", client.toRecord().id(), "Added client “" + client.name() + "”");
        return client.toRecord();
    }

    @Transactional
    public Client rename(String id, long expectedVersion, String name) {
        ClientEntity client = find(id);
        Versions.check(expectedVersion, client.version());
        client.rename(checked(name));
        return clients.saveAndFlush(client).toRecord();
    }

    private static String checked(String name) {
        if (name == null || name.isBlank() || name.length() > 300) {
            throw Problem.invalid("A client’s name has between 1 and 300 characters.");
        }
        return name.strip();
    }

    private ClientEntity find(String id) {
        return clients.findById(id).orElseThrow(() -> Problem.notFound("client", id));
    }
}
