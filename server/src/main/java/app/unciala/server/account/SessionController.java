package app.unciala.server.account;

import app.unciala.server.http.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.security.Principal;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
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
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Signing in, saying who one is, and signing out. */
@RestController
@RequestMapping("/api/session")
class SessionController {
    private final AuthenticationManager manager;
    private final SecurityContextRepository contexts;
    private final AccountService accounts;

    SessionController(AuthenticationManager manager, SecurityContextRepository contexts, AccountService accounts) {
        this.manager = manager;
        this.contexts = contexts;
        this.accounts = accounts;
    }

    record Credentials(String name, String password) {}

    record Who(String name, String displayName) {}

    @PostMapping
    ResponseEntity<Void> signIn(
            @RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        Authentication known;
        try {
            known = manager.authenticate(
                    UsernamePasswordAuthenticationToken.unauthenticated(credentials.name(), credentials.password()));
        } catch (AuthenticationException e) {
            throw Problem.unauthorized("Name and password do not belong together.");
        }
        HttpSession before = request.getSession(false);
        if (before != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(known);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        writeToken(request);
        return ResponseEntity.noContent().build();
    }

    @GetMapping
    Who who(@Nullable Principal principal, HttpServletRequest request) {
        writeToken(request);
        if (principal == null) {
            throw Problem.unauthorized("Sign in first.");
        }
        return new Who(principal.getName(), accounts.displayName(principal.getName()));
    }

    @DeleteMapping
    ResponseEntity<Void> signOut(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        return ResponseEntity.noContent().build();
    }

    /** The token is made, and its cookie set, only when something reads it. */
    private static void writeToken(HttpServletRequest request) {
        if (request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token) {
            token.getToken();
        }
    }
}
