package app.unciala.server.account;

import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Component;

/** The sessions of a person, wherever they signed in. */
@Component
class Sessions {
    private final FindByIndexNameSessionRepository<?> repository;

    Sessions(FindByIndexNameSessionRepository<?> repository) {
        this.repository = repository;
    }

    int count(String name) {
        return repository.findByPrincipalName(name).size();
    }

    void endAll(String name) {
        endOthers(name, "");
    }

    /** Ends all but one. */
    void endOthers(String name, String kept) {
        repository.findByPrincipalName(name).keySet().stream()
                .filter(id -> !id.equals(kept))
                .forEach(repository::deleteById);
    }
}
