package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.search.WrongLetters;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds the domain that was probably meant, when one was typed with a letter or two wrong. */
final class NearMiss {
    private static final int MOST_WRONG = 2;

    private NearMiss() {}

    static Optional<String> of(DomainName host, List<DomainPattern> domains) {
        return domains.stream()
                .map(pattern -> pattern.domain().ascii())
                .filter(domain -> WrongLetters.between(domain, host.ascii(), MOST_WRONG) <= MOST_WRONG)
                .min(Comparator.naturalOrder());
    }
}
