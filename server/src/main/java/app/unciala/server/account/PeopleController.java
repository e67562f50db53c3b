package app.unciala.server.account;

import app.unciala.server.account.AccountService.Invited;
import app.unciala.server.account.AccountService.Person;
import app.unciala.server.http.Versions;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The people of the agency, and the links by which they join. */
@RestController
class PeopleController {
    private final AccountService accounts;
    private final SignInLimit limit;

    PeopleController(AccountService accounts, SignInLimit limit) {
        this.accounts = accounts;
        this.limit = limit;
    }

    record NewPerson(
            @NotNull(message = "A name to sign in with is needed.")
            @Pattern(
                    regexp = "[a-z0-9][a-z0-9._-]{1,39}",
                    message = "A name to sign in with has 2 to 40 lowercase letters, digits, dots and hyphens.")
            String name,

            @NotBlank(message = "A person’s name has between 1 and 200 characters.")
            @Size(max = 200, message = "A person’s name has between 1 and 200 characters.")
            String displayName,

            @NotNull(message = "The level is READER, EDITOR or ADMINISTRATOR.")
            Level level) {}

    record EditedPerson(
            @NotBlank(message = "A person’s name has between 1 and 200 characters.")
            @Size(max = 200, message = "A person’s name has between 1 and 200 characters.")
            String displayName,

            @NotNull(message = "The level is READER, EDITOR or ADMINISTRATOR.")
            Level level) {}

    record FirstPassword(
            @NotNull(message = "A password has 10 to 200 characters.")
            @Size(
                    min = AccountService.SHORTEST_PASSWORD,
                    max = AccountService.LONGEST_PASSWORD,
                    message = "A password has 10 to 200 characters.")
            String password) {}

    @GetMapping("/api/people")
    List<Person> list() {
        return accounts.all();
    }

    @PostMapping("/api/people")
    @ResponseStatus(HttpStatus.CREATED)
    Invited add(@Valid @RequestBody NewPerson person) {
        return accounts.add(person.name(), person.displayName().strip(), person.level());
    }

    @PutMapping("/api/people/{name}")
    ResponseEntity<Person> edit(
            @PathVariable String name,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody EditedPerson person) {
        Person edited = accounts.edit(
                name, Versions.expected(ifMatch), person.displayName().strip(), person.level());
        return Versions.tagged(edited.version(), edited);
    }

    @DeleteMapping("/api/people/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String name) {
        accounts.remove(name);
    }

    @PostMapping("/api/people/{name}/invitation")
    @ResponseStatus(HttpStatus.CREATED)
    Invited invite(@PathVariable String name) {
        return accounts.invite(name);
    }

    /** Who an invitation is for; asked before anybody is signed in. */
    @GetMapping("/api/invitations/{token}")
    Person invited(@PathVariable String token, HttpServletRequest request) {
        SignInLimit.Try taken = limit.take("invitation " + request.getRemoteAddr(), request.getRemoteAddr());
        Person person = accounts.invited(token);
        taken.succeeded();
        return person;
    }

    @PostMapping("/api/invitations/{token}")
    Person join(@PathVariable String token, @Valid @RequestBody FirstPassword chosen, HttpServletRequest request) {
        SignInLimit.Try taken = limit.take("invitation " + request.getRemoteAddr(), request.getRemoteAddr());
        Person person = accounts.join(token, chosen.password());
        taken.succeeded();
        return person;
    }
}
