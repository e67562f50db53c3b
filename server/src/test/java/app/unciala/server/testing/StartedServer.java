package app.unciala.server.testing;

import app.unciala.server.UncialaApplication;
import java.nio.file.Path;
import java.time.Clock;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;

/** The real application on a free port, in the process of the tests, over a data folder that outlives it. */
public final class StartedServer implements AutoCloseable {
    private final ConfigurableApplicationContext application;
    private final boolean demo;

    private StartedServer(ConfigurableApplicationContext application, boolean demo) {
        this.application = application;
        this.demo = demo;
    }

    /** Over a folder that is empty or was left by a server before. */
    public static StartedServer over(Path data) {
        return start(data, new TestClock(), false);
    }

    static StartedServer start(Path data, Clock clock, boolean demo) {
        return new StartedServer(
                new SpringApplicationBuilder(UncialaApplication.class)
                        .profiles(demo ? new String[] {"demo"} : new String[0])
                        .initializers(started -> {
                            if (!demo) {
                                ((GenericApplicationContext) started).registerBean(Clock.class, () -> clock);
                            }
                        })
                        .run(
                                "--server.port=0",
                                "--UNCIALA_SITES_PORT=0",
                                "--unciala.data=" + data,
                                "--unciala.admin-password=" + RunningServer.PASSWORD,
                                "--unciala.password-rounds=4",
                                "--spring.main.banner-mode=off"),
                demo);
    }

    public String url() {
        return "http://localhost:" + application.getEnvironment().getProperty("local.server.port");
    }

    /** A browser-like caller that is signed in. */
    public Caller signIn() {
        Caller caller = new Caller(url());
        int status = demo ? caller.signIn("demo", "unciala-demo") : caller.signIn("admin", RunningServer.PASSWORD);
        if (status != 204) {
            throw new IllegalStateException("signing in gave " + status);
        }
        return caller;
    }

    <T> T bean(Class<T> type) {
        return application.getBean(type);
    }

    @Override
    public void close() {
        application.close();
    }
}
