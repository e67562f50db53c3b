package app.unciala.server.testing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.util.FileSystemUtils;

/** Starts the real application on a free port, with a database and folder of its own, for one test class. */
public final class RunningServer implements BeforeAllCallback, AfterAllCallback {
    public static final String PASSWORD = "a test password";

    private final boolean demo;
    private StartedServer server;
    private Path data;
    private Preparation earlier = folder -> {};

    private final TestClock clock = new TestClock();

    private RunningServer(boolean demo) {
        this.demo = demo;
    }

    /** The server's clock, which tests set forward. */
    public TestClock clock() {
        return clock;
    }

    /** The server's data folder. */
    public Path data() {
        return data;
    }

    /** A bean of the running server, to look behind its API. */
    public <T> T bean(Class<T> type) {
        return server.bean(type);
    }

    /** A caller that is not signed in. */
    public Caller stranger() {
        return new Caller(url());
    }

    /** A caller of a level below administrator, added and joined by the way people go. */
    public Caller join(String name, String level) {
        Caller admin = signIn();
        String token = admin.send(
                        "POST", "/api/people", Map.of("name", name, "displayName", "The " + name, "level", level))
                .json()
                .get("token")
                .asString();
        Caller joined = stranger();
        joined.send("POST", "/api/invitations/" + token, Map.of("password", PASSWORD));
        if (joined.signIn(name, PASSWORD) != 204) {
            throw new IllegalStateException(name + " could not join");
        }
        return joined;
    }

    /** An empty inventory with the administrator {@code admin}. */
    public static RunningServer empty() {
        return new RunningServer(false);
    }

    /** A server on a data folder that an earlier version left behind. */
    public static RunningServer over(Preparation earlier) {
        RunningServer server = new RunningServer(false);
        server.earlier = earlier;
        return server;
    }

    /** Fills a data folder before the server starts on it. */
    public interface Preparation {
        void fill(Path data) throws Exception;
    }

    /** The demonstration, with its own account. */
    public static RunningServer withDemo() {
        return new RunningServer(true);
    }

    @Override
    public void beforeAll(ExtensionContext context) throws Exception {
        data = Files.createTempDirectory("unciala-test");
        earlier.fill(data);
        server = StartedServer.start(data, clock, demo);
    }

    @Override
    public void afterAll(ExtensionContext context) throws IOException {
        server.close();
        FileSystemUtils.deleteRecursively(data);
    }

    public String url() {
        return server.url();
    }

    /** A browser-like caller that is signed in. */
    public Caller signIn() {
        return server.signIn();
    }
}
