package app.unciala.server.backup;

import app.unciala.server.fault.Fault;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * How a command on this machine reaches the running server: a file in the data folder, readable by its owner only, with
 * the server's port and a token that is new at every start. Who can read it owns the data anyway.
 */
@Component
class LocalToken {
    static final String HEADER = "X-Unciala-Local";
    static final String FILE = "server.run";

    private final Path file;
    private final Environment environment;
    private final String token;

    LocalToken(@Value("${unciala.data}") Path data, Environment environment) {
        file = data.resolve(FILE);
        this.environment = environment;
        byte[] bytes = new byte[24];
        new SecureRandom().nextBytes(bytes);
        token = HexFormat.of().formatHex(bytes);
    }

    @EventListener(ApplicationReadyEvent.class)
    public void write() throws IOException {
        Files.deleteIfExists(file);
        if (file.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        }
        Files.writeString(file, environment.getProperty("local.server.port") + "\n" + token + "\n");
    }

    @PreDestroy
    void remove() throws IOException {
        Files.deleteIfExists(file);
    }

    void mustBe(@Nullable String shown) {
        if (shown == null
                || !MessageDigest.isEqual(
                        shown.getBytes(StandardCharsets.UTF_8), token.getBytes(StandardCharsets.UTF_8))) {
            throw Fault.unauthorized("Show the token of the data folder.");
        }
    }
}
