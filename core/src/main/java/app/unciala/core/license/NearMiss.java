package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds the domain that was probably meant, when one was typed with a letter or two wrong. */
final class NearMiss {
    private static final int MOST_EDITS = 2;

    private NearMiss() {}

    static Optional<String> of(DomainName host, List<DomainPattern> domains) {
        return domains.stream()
                .map(pattern -> pattern.domain().ascii())
                .filter(domain -> Math.abs(domain.length() - host.ascii().length()) <= MOST_EDITS)
                .filter(domain -> edits(domain, host.ascii()) <= MOST_EDITS)
                .min(Comparator.naturalOrder());
    }

    /** Levenshtein's distance, by rows. */
    private static int edits(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int above = row[j];
                int change = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                row[j] = Math.min(change, Math.min(above, row[j - 1]) + 1);
                diagonal = above;
            }
        }
        return row[b.length()];
    }
}
