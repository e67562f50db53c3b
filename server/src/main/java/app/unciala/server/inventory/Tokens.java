package app.unciala.server.inventory;

import com.google.common.hash.Hashing;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;

/** Secrets that are handed out and opened by whoever has them; only their digests are kept. */
public final class Tokens {
    private static final int BYTES = 24;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Tokens() {}

    /** A new one: 192 random bits in letters that stand in addresses. */
    public static String next() {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    /** What is kept of one: its SHA-256 in hexadecimal digits. */
    public static String digest(String token) {
        return Hashing.sha256().hashString(token, StandardCharsets.UTF_8).toString();
    }
}
