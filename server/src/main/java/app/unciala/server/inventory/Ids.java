package app.unciala.server.inventory;

import java.security.SecureRandom;

/** Makes identifiers: twelve letters and digits, random, safe in URLs and file names. */
public final class Ids {
    private static final String ALPHABET = "abcdefghjkmnpqrstuvwxyz23456789";
    private static final SecureRandom RANDOM = new SecureRandom();

    private Ids() {}

    public static String next() {
        StringBuilder id = new StringBuilder();
        for (int i = 0; i < 12; i++) {
            id.append(ALPHABET.charAt(RANDOM.nextInt(ALPHABET.length())));
        }
        return id.toString();
    }
}
