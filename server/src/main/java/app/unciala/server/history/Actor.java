package app.unciala.server.history;

import org.springframework.security.core.Authentication;
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
}
