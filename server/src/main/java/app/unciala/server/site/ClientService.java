package app.unciala.server.site;

import app.unciala.server.fault.Fault;
import app.unciala.server.history.DeletedRows;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.Links;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The agency's clients. */
@Service
public class ClientService implements Reverser {
    private static final Sort BY_NAME = Sort.by("name", "id");
    private static final String DELETED = "client deleted";

    private final ClientRepository clients;
    private final SiteRepository sites;
    private final Links links;
    private final HistoryService history;
    private final Changes changes;
    private final DeletedRows deletedRows;
    private final Clock clock;

    ClientService(
            ClientRepository clients,
            SiteRepository sites,
            Links links,
            HistoryService history,
            Changes changes,
            DeletedRows deletedRows,
            Clock clock) {
        this.clients = clients;
        this.sites = sites;
        this.links = links;
        this.history = history;
        this.changes = changes;
        this.deletedRows = deletedRows;
        this.clock = clock;
    }

    public record Client(String id, long version, String name) {}

    @Transactional(readOnly = true)
    public Page<Client> list(@Nullable String cursor, int limit) {
        return Page.of(
                clients.findAllBy(Cursor.read(cursor, Cursor.keys(BY_NAME, "", "")), BY_NAME, Cursor.limit(limit)),
                ClientEntity::toRecord);
    }

    @Transactional(readOnly = true)
    public Client get(String id) {
        return find(id).toRecord();
    }

    /** The name of a client that something is to belong to. */
    @Transactional(readOnly = true)
    public String nameOf(String id) {
        return clients.findById(id)
                .map(ClientEntity::name)
                .orElseThrow(() -> Fault.invalid("clientId", "There is no client “" + id + "”."));
    }

    @Transactional
    public Client create(String name) {
        changes.begin();
        ClientEntity client = clients.saveAndFlush(new ClientEntity(Ids.next(), name.strip()));
        history.record(Deed.of("client", client.id(), client.name(), "Added client “" + client.name() + "”")
                .changing(Map.of(), Map.of("name", client.name())));
        return client.toRecord();
    }

    @Transactional
    public Client rename(String id, long expectedVersion, String name) {
        changes.begin();
        ClientEntity client = find(id, expectedVersion);
        String before = client.name();
        client.rename(name.strip());
        clients.saveAndFlush(client);
        sites.findByClientIdOrderByName(id).forEach(site -> site.findBy(client.name()));
        changes.touched(links.scopeOfHolder(id));
        history.record(Deed.of("client", id, client.name(), "Renamed client “" + before + "” to “" + name.strip() + "”")
                .changing(Map.of("name", before), Map.of("name", client.name())));
        return client.toRecord();
    }

    /** The names of the sites a client has, which stand against deleting it. */
    @Transactional(readOnly = true)
    public List<String> sitesOf(String id) {
        return sites.findByClientIdOrderByName(find(id).id()).stream()
                .map(SiteEntity::name)
                .toList();
    }

    /** Deletes a client without sites; gives the entry of the history by which it is taken back. */
    @Transactional
    public String delete(String id, long expectedVersion) {
        changes.begin();
        ClientEntity client = find(id, expectedVersion);
        List<String> own = sitesOf(id);
        if (!own.isEmpty()) {
            throw Fault.conflict(client.name() + " still has " + String.join(", ", own)
                    + ". Delete its sites, or give them to another client, first.");
        }
        Set<String> held = links.licensesHeldBy(id);
        if (!held.isEmpty()) {
            throw Fault.conflict(client.name() + " still holds " + String.join(", ", held)
                    + ". Delete these licenses, or let the agency hold them, first.");
        }
        client.delete(clock.instant());
        return history.record(Deed.of("client", id, client.name(), "Deleted client “" + client.name() + "”")
                .changing(Map.of("name", client.name()), Map.of())
                .undoneBy(new Reversal(DELETED, List.of(id))));
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(DELETED);
    }

    @Override
    public void reverse(Reversal reversal) {
        deletedRows.restore("client", reversal.ids().get(0), "the client");
    }

    /** Refuses to restore a site whose client is deleted. */
    void mustExist(String id, String site) {
        if (links.isDeletedClient(id)) {
            throw Fault.conflict(site + " is a site of "
                    + links.clientNames(Set.of(id)).getOrDefault(id, "a client")
                    + ", who was deleted. Restore the client first.");
        }
    }

    /** Clients by id, for lists of their sites. */
    Map<String, ClientEntity> byId(List<String> ids) {
        return clients.findAllById(ids).stream().collect(Collectors.toMap(ClientEntity::id, client -> client));
    }

    private ClientEntity find(String id, long expectedVersion) {
        ClientEntity client = find(id);
        if (client.version() != expectedVersion) {
            throw Fault.stale();
        }
        return client;
    }

    private ClientEntity find(String id) {
        return clients.findById(id).orElseThrow(() -> Fault.notFound("client", id));
    }
}
