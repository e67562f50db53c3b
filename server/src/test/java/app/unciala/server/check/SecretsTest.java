package app.unciala.server.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.Base64;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Passwords of others, kept so that the database alone does not give them away. */
class SecretsTest {
    @TempDir
    private Path data;

    @ParameterizedTest
    @ValueSource(strings = {"", "p:ss wörd", "🗝 key", "a very long password, longer than any block of the cipher is"})
    void aPasswordComesBackAfterARestartAndIsNotSeenInWhatIsKept(String password) {
        String kept = new Secrets(data).encrypted(password);
        assertThat(new Secrets(data).decrypted(kept)).contains(password);
        if (!password.isEmpty()) {
            assertThat(new String(Base64.getDecoder().decode(kept), StandardCharsets.ISO_8859_1))
                    .doesNotContain(password);
        }
    }

    @Test
    void whatAnEarlierVersionKeptIsStillRead() throws IOException {
        byte[] key = new byte[32];
        for (int i = 0; i < key.length; i++) {
            key[i] = (byte) i;
        }
        Files.write(data.resolve("secret.key"), key);
        assertThat(new Secrets(data).decrypted("MhN/c+4zbpiMl4CFfYF0xoLhjX6MaFOtjouCoAcEIUtSjkhuV4V3dsA="))
                .contains("lamp room");
    }

    @Test
    void onePasswordIsNeverKeptTheSameTwice() {
        Secrets secrets = new Secrets(data);
        assertThat(secrets.encrypted("the same")).isNotEqualTo(secrets.encrypted("the same"));
    }

    @Test
    void whatWasChangedOrKeptUnderAnotherKeyIsNothing() throws IOException {
        Secrets secrets = new Secrets(data);
        String kept = secrets.encrypted("a password");
        byte[] changed = Base64.getDecoder().decode(kept);
        changed[changed.length - 1] ^= 1;
        assertThat(secrets.decrypted(Base64.getEncoder().encodeToString(changed)))
                .isEmpty();
        assertThat(secrets.decrypted("no base 64!")).isEmpty();
        assertThat(secrets.decrypted("")).isEmpty();
        Files.delete(data.resolve("secret.key"));
        assertThat(new Secrets(data).decrypted(kept))
                .as("a restore without its key")
                .isEmpty();
    }

    @Test
    void onlyItsOwnerReadsTheKey() throws IOException {
        new Secrets(data).encrypted("x");
        assertThat(Files.getPosixFilePermissions(data.resolve("secret.key")))
                .containsExactlyInAnyOrder(PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);
        assertThat(Files.size(data.resolve("secret.key"))).isEqualTo(32);
    }
}
