package app.unciala.server.history;

import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** Whoever acts: the person signed in, or the product itself. */
@Component
public class Actor {
    /** The product's own name in the history. */
    public static final String PRODUCT = "unciala";

    /** The account's name, or {@link #PRODUCT} for work that no request asked for. */
    public String name() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        return authentication == null ? PRODUCT : authentication.getName();
    }

    /** Does work in the name of the person who asked for it. */
    public void acting(String name, Runnable work) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(name, "", List.of()));
        SecurityContextHolder.setContext(context);
        try {
            work.run();
        } finally {
            SecurityContextHolder.clearContext();
        }
    }
}
