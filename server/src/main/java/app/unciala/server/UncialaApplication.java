package app.unciala.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.context.annotation.Bean;

/** Starts the server; {@code --demo} fills an empty inventory with the demonstration and listens on loopback only. */
@SpringBootApplication
public class UncialaApplication {
    public static void main(String[] args) {
        SpringApplication application = new SpringApplication(UncialaApplication.class);
        for (String arg : args) {
            if (arg.equals("--demo")) {
                application.setAdditionalProfiles("demo");
            }
        }
        application.addListeners((ApplicationListener<ApplicationEnvironmentPreparedEvent>)
                event -> makeDataFolder(event.getEnvironment().getRequiredProperty("unciala.data")));
        application.run(args);
    }

    private static void makeDataFolder(String folder) {
        try {
            Files.createDirectories(Path.of(folder));
        } catch (IOException e) {
            throw new IllegalStateException("The data folder " + folder + " cannot be made: " + e.getMessage(), e);
        }
    }

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
