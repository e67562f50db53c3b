package app.unciala.server.http;

import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Closes the connection of a request whose body is not to be read any more. Without it the container reads and drops what
 * is left, and a body that never ends would keep a thread.
 */
@Component
class UnreadBodies implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private static final String LEFT = UnreadBodies.class.getName();

    /** Says that nothing more of a body is to be read. */
    static void leave(ServletRequest request) {
        request.setAttribute(LEFT, true);
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        // Around the host's, which would take the end of the connection for an error to report.
        factory.addEngineValves(new Closing());
    }

    private static final class Closing extends ValveBase {
        Closing() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            getNext().invoke(request, response);
            if (request.getAttribute(LEFT) != null) {
                request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
            }
        }
    }
}
