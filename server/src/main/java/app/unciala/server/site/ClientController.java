package app.unciala.server.site;

import app.unciala.server.http.Undoable;
import app.unciala.server.http.Versions;
import app.unciala.server.listing.Page;
import app.unciala.server.site.ClientService.Client;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/clients")
class ClientController {
    private final ClientService clients;

    ClientController(ClientService clients) {
        this.clients = clients;
    }

    record ClientName(
            @NotBlank(message = "A client’s name has between 1 and 300 characters.")
            @Size(max = 300, message = "A client’s name has between 1 and 300 characters.")
            String name) {}

    @GetMapping
    Page<Client> list(
            @RequestParam(required = false) @Nullable String cursor, @RequestParam(defaultValue = "200") int limit) {
        return clients.list(cursor, limit);
    }

    @PostMapping
    ResponseEntity<Client> create(@Valid @RequestBody ClientName name) {
        Client client = clients.create(name.name());
        return Versions.tagged(HttpStatus.CREATED, client.version(), client);
    }

    @GetMapping("/{id}")
    ResponseEntity<Client> get(@PathVariable String id) {
        Client client = clients.get(id);
        return Versions.tagged(client.version(), client);
    }

    @PutMapping("/{id}")
    ResponseEntity<Client> rename(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody ClientName name) {
        Client client = clients.rename(id, Versions.expected(ifMatch), name.name());
        return Versions.tagged(client.version(), client);
    }

    /** The names of the client's sites, which have to go first. */
    @GetMapping("/{id}/dependents")
    List<String> dependents(@PathVariable String id) {
        return clients.sitesOf(id);
    }

    @DeleteMapping("/{id}")
    Undoable delete(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch) {
        return new Undoable(clients.delete(id, Versions.expected(ifMatch)));
    }
}
