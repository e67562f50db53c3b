package app.unciala.server.account;

import com.google.common.hash.Hashing;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.AbstractValidatingPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/**
 * Passwords as bcrypt of their SHA-256: bcrypt alone takes 72 bytes and no more, which 18 letters of some scripts fill.
 */
final class DigestedPasswords extends AbstractValidatingPasswordEncoder {
    private static final String OF_DIGEST = "sha256-bcrypt";

    private final BCryptPasswordEncoder bcrypt;

    private DigestedPasswords(BCryptPasswordEncoder bcrypt) {
        this.bcrypt = bcrypt;
    }

    /**
     * The encoder of new passwords. It knows those that were kept by bcrypt alone; any other kept text matches none.
     *
     * @param rounds the binary logarithm of how often bcrypt mixes the key, 4 to 31
     */
    static PasswordEncoder withEarlier(int rounds) {
        BCryptPasswordEncoder earlier = new BCryptPasswordEncoder(rounds);
        DelegatingPasswordEncoder known = new DelegatingPasswordEncoder(
                OF_DIGEST, Map.of(OF_DIGEST, new DigestedPasswords(earlier), "bcrypt", earlier));
        known.setDefaultPasswordEncoderForMatches(earlier);
        return known;
    }

    @Override
    protected String encodeNonNullPassword(String password) {
        return Objects.requireNonNull(bcrypt.encode(digest(password)));
    }

    @Override
    protected boolean matchesNonNull(String password, String encoded) {
        return bcrypt.matches(digest(password), encoded);
    }

    private static String digest(String password) {
        return Hashing.sha256().hashString(password, StandardCharsets.UTF_8).toString();
    }
}
