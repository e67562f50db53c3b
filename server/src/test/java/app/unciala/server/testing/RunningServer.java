package app.unciala.server.testing;

import app.unciala.server.UncialaApplication;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;

/** Starts the real application on a free port, with a database and folder of its own, for one test class. */
public final class RunningServer implements BeforeAllCallback, AfterAllCallback {
    public static final String PASSWORD = "a test password";

    private final boolean demo;
    private ConfigurableApplicationContext application;
    private Path data;

    private RunningServer(boolean demo) {
        this.demo = demo;
    }

    /** An empty inventory with the administrator {@code admin}. */
    public static RunningServer empty() {
        return new RunningServer(false);
    }

    /** The demonstration, with its own account. */
    public static RunningServer withDemo() {
        return new RunningServer(true);
    }

    @Override
    public void beforeAll(ExtensionContext context) throws IOException {
        data = Files.createTempDirectory("unciala-test");
        application = new SpringApplicationBuilder(UncialaApplication.class)
                .profiles(demo ? new String[] {"demo"} : new String[0])
                .run(
                        "--server.port=0",
                        "--UNCIALA_SITES_PORT=0",
                        "--unciala.data=" + data,
                        "--unciala.admin-password=" + PASSWORD,
                        "--spring.main.banner-mode=off");
    }

    @Override
    public void afterAll(ExtensionContext context) throws IOException {
        application.close();
        FileSystemUtils.deleteRecursively(data);
    }

    public String url() {
        return "http://localhost:" + application.getEnvironment().getProperty("local.server.port");
    }

    /** A browser-like caller that is signed in. */
    public Caller signIn() {
        Caller caller = new Caller(url());
        int status = demo ? caller.signIn("demo", "unciala-demo") : caller.signIn("admin", PASSWORD);
        if (status != 204) {
            throw new IllegalStateException("signing in gave " + status);
        }
        return caller;
    }
}
