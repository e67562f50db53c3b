package app.unciala.server.account;

import jakarta.servlet.http.HttpServletRequest;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Says in the log, once, that people seem to come through a proxy that {@code UNCIALA_PROXY} doesn't name. */
@Component
class UndeclaredProxy {
    private static final Logger LOG = LoggerFactory.getLogger(UndeclaredProxy.class);

    private final AtomicBoolean told = new AtomicBoolean();

    /** Looks at somebody signing in; the header of a proxy that is declared has been taken out by now. */
    void notice(HttpServletRequest request) {
        String address = request.getRemoteAddr();
        if (request.getHeader("X-Forwarded-For") != null && told.compareAndSet(false, true)) {
            LOG.warn(
                    "Sign-ins come through {}, which UNCIALA_PROXY doesn’t name: everybody behind it shares one limit for"
                            + " wrong passwords. If it is your proxy, set UNCIALA_PROXY={}.",
                    address,
                    address);
        }
    }
}
