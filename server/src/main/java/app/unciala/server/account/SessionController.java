package app.unciala.server.account;

import app.unciala.server.account.AccountService.Person;
import app.unciala.server.fault.Fault;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signing in, saying who one is, changing one's password, and signing out here or everywhere else. */
@RestController
@RequestMapping("/api/session")
class SessionController {
    private final AuthenticationManager manager;
    private final SecurityContextRepository contexts;
    private final AccountService accounts;
    private final Sessions sessions;
    private final SignInLimit limit;
    private final UndeclaredProxy proxy;

    SessionController(
            AuthenticationManager manager,
            SecurityContextRepository contexts,
            AccountService accounts,
            Sessions sessions,
            SignInLimit limit,
            UndeclaredProxy proxy) {
        this.proxy = proxy;
        this.manager = manager;
        this.contexts = contexts;
        this.accounts = accounts;
        this.sessions = sessions;
        this.limit = limit;
    }

    record Credentials(
            @NotNull(message = "A name is needed.") @Size(max = 80, message = "A name has at most 80 characters.")
            String name,

            @NotNull(message = "A password is needed.")
            @Size(max = AccountService.LONGEST_PASSWORD, message = "A password has at most 200 characters.")
            String password) {}

    record NewPassword(
            @NotNull(message = "The current password is needed.")
            @Size(max = AccountService.LONGEST_PASSWORD, message = "A password has at most 200 characters.")
            String current,

            @NotNull(message = "A password has 10 to 200 characters.")
            @Size(
                    min = AccountService.SHORTEST_PASSWORD,
                    max = AccountService.LONGEST_PASSWORD,
                    message = "A password has 10 to 200 characters.")
            String password) {}

    /** Who is signed in, and in how many places. */
    record Who(String name, String displayName, Level level, int sessions) {}

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signIn(@Valid @RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        proxy.notice(request);
        SignInLimit.Try taken = limit.take(credentials.name(), request.getRemoteAddr());
        Authentication known;
        try {
            known = manager.authenticate(
                    UsernamePasswordAuthenticationToken.unauthenticated(credentials.name(), credentials.password()));
        } catch (AuthenticationException e) {
            throw Fault.unauthorized("Wrong name or password.");
        }
        taken.succeeded();
        HttpSession before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        request.getSession(true);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(known);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        writeToken(request);
    }

    @GetMapping
    Who who(@Nullable Principal principal, HttpServletRequest request) {
        writeToken(request);
        if (principal == null) {
            throw Fault.unauthorized("Sign in first.");
        }
        Person person = accounts.get(principal.getName());
        return new Who(person.name(), person.displayName(), person.level(), sessions.count(person.name()));
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
    }

    @DeleteMapping("/others")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endOthers(Principal principal, HttpServletRequest request) {
        sessions.endOthers(principal.getName(), request.getSession().getId());
    }

    @PutMapping("/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(@Valid @RequestBody NewPassword change, Principal principal, HttpServletRequest request) {
        SignInLimit.Try taken = limit.take(principal.getName(), request.getRemoteAddr());
        accounts.changePassword(
                principal.getName(),
                change.current(),
                change.password(),
                request.getSession().getId());
        taken.succeeded();
    }

    /** The token is made, and its cookie set, only when something reads it. */
    private static void writeToken(HttpServletRequest request) {
        if (request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token) {
            token.getToken();
        }
    }
}
