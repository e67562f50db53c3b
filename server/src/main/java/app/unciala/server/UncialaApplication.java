package app.unciala.server;

import app.unciala.server.backup.BackupCommand;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnMissingBean;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.context.annotation.Bean;
import org.springframework.core.env.Environment;
import org.springframework.data.jpa.repository.config.EnableJpaRepositories;
import org.springframework.data.jpa.repository.query.DeclaredQuery;
import org.springframework.data.jpa.repository.query.QueryEnhancerFactories;
import org.springframework.data.jpa.repository.query.QueryEnhancerFactory;
import org.springframework.data.jpa.repository.query.QueryEnhancerSelector;

/**
 * Starts the server; {@code --demo} fills an empty inventory with the demonstration and {@code --large} with a generated
 * one of thousands, both on loopback only. {@code --backup FILE} and {@code --restore FILE} start no server.
 */
@SpringBootApplication
@EnableJpaRepositories(queryEnhancerSelector = UncialaApplication.QueriesAsWritten.class)
public class UncialaApplication {
    /** No query has a sort or a count added: reading each by Spring's parser would take a tenth of the start. */
    static final class QueriesAsWritten implements QueryEnhancerSelector {
        @Override
        public QueryEnhancerFactory select(DeclaredQuery query) {
            return QueryEnhancerFactories.fallback();
        }
    }

    private static final List<String> PROFILES = List.of("demo", "large");

    public static void main(String[] args) {
        Path data = Path.of(Optional.ofNullable(System.getenv("UNCIALA_DATA"))
                .orElse(Path.of(System.getProperty("user.home"), ".unciala").toString()));
        Optional<Integer> done = BackupCommand.run(List.of(args), data);
        if (done.isPresent()) {
            System.exit(done.get());
        }
        SpringApplication application = new SpringApplication(UncialaApplication.class);
        PROFILES.stream()
                .filter(profile -> Arrays.asList(args).contains("--" + profile))
                .forEach(application::setAdditionalProfiles);
        application.setDefaultProperties(behindProxy(System.getenv()));
        application.addListeners(
                (ApplicationListener<ApplicationEnvironmentPreparedEvent>) event -> prepare(event.getEnvironment()));
        application.run(args);
    }

    /** Forwarded headers are believed only from the addresses that {@code UNCIALA_PROXY} names. */
    static Map<String, Object> behindProxy(Map<String, String> settings) {
        Map<String, Object> properties = new HashMap<>();
        String proxies = settings.getOrDefault("UNCIALA_PROXY", "");
        if (!proxies.isBlank()) {
            properties.put("server.forward-headers-strategy", "native");
            properties.put(
                    "server.tomcat.remoteip.internal-proxies",
                    Arrays.stream(proxies.split("[,\\s]+"))
                            .filter(address -> !address.isEmpty())
                            .map(Pattern::quote)
                            .collect(Collectors.joining("|")));
        }
        return properties;
    }

    private static void prepare(Environment environment) {
        makeDataFolder(Path.of(environment.getRequiredProperty("unciala.data")));
        portMustBeFree(
                environment.getRequiredProperty("server.address"),
                environment.getRequiredProperty("server.port", Integer.class));
    }

    /** Makes the folder, or takes from others the right to look into it. */
    private static void makeDataFolder(Path folder) {
        try {
            Files.createDirectories(folder);
            if (folder.getFileSystem().supportedFileAttributeViews().contains("posix")) {
                Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
            }
        } catch (IOException e) {
            leave("The data folder " + folder + " cannot be made: " + e.getMessage());
        }
    }

    private static void portMustBeFree(String address, int port) {
        try (ServerSocket socket = new ServerSocket()) {
            socket.setReuseAddress(true);
            socket.bind(new InetSocketAddress(InetAddress.getByName(address), port));
        } catch (IOException e) {
            leave("Port " + port + " is taken by another program. Choose another one: UNCIALA_PORT=" + (port + 10));
        }
    }

    private static void leave(String sentence) {
        System.err.println(sentence);
        System.exit(1);
    }

    @Bean
    @ConditionalOnMissingBean
    Clock clock() {
        return Clock.system(ZoneId.systemDefault());
    }
}
