package app.unciala.server.check;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.spec.SecretKeySpec;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.encrypt.AesGcmBytesEncryptor;
import org.springframework.security.crypto.encrypt.BytesEncryptor;
import org.springframework.security.crypto.keygen.KeyGenerators;
import org.springframework.stereotype.Component;

/**
 * Keeps passwords of others encrypted (AES-256 in GCM). The key stands in a file of its own in the data folder, which only
 * its owner can read; backups do not have it, so that passwords are typed again after a restore elsewhere.
 */
@Component
class Secrets {
    private static final int KEY_BYTES = 32;
    private static final int VECTOR_BYTES = 16;

    private final Path file;
    private @Nullable BytesEncryptor encryptor;

    Secrets(@Value("${unciala.data}") Path data) {
        file = data.resolve("secret.key");
    }

    String encrypted(String password) {
        return Base64.getEncoder().encodeToString(encryptor().encrypt(password.getBytes(StandardCharsets.UTF_8)));
    }

    /** Nothing if it was encrypted with another key, or is damaged. */
    Optional<String> decrypted(String kept) {
        try {
            byte[] bytes = Base64.getDecoder().decode(kept);
            return bytes.length <= VECTOR_BYTES
                    ? Optional.empty()
                    : Optional.of(new String(encryptor().decrypt(bytes), StandardCharsets.UTF_8));
        } catch (IllegalArgumentException | IllegalStateException e) {
            return Optional.empty();
        }
    }

    private synchronized BytesEncryptor encryptor() {
        BytesEncryptor known = encryptor;
        if (known == null) {
            known = AesGcmBytesEncryptor.withSecretKey(new SecretKeySpec(key(), "AES"))
                    .ivGenerator(KeyGenerators.secureRandom(VECTOR_BYTES))
                    .build();
            encryptor = known;
        }
        return known;
    }

    private byte[] key() {
        try {
            if (!Files.exists(file)) {
                Files.createDirectories(file.getParent());
                Files.createFile(
                        file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
                Files.write(
                        file,
                        KeyGenerators.secureRandom(KEY_BYTES).generateKey(),
                        StandardOpenOption.WRITE,
                        StandardOpenOption.SYNC);
            }
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException("the key of passwords cannot be read or made", e);
        }
    }
}
