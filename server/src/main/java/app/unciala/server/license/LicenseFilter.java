package app.unciala.server.license;

import app.unciala.core.license.Basis;
import jakarta.persistence.criteria.Predicate;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.domain.Specification;

/**
 * Which licenses a list has. What is null narrows nothing.
 *
 * @param name words that stand in the name, the vendor or the domains
 * @param holder the id of the client who holds it, or {@link #AGENCY}
 */
public record LicenseFilter(
        @Nullable String name,
        @Nullable Basis basis,
        @Nullable String holder,
        @Nullable State state) {
    /** Stands for the agency where a holder is named. */
    public static final String AGENCY = "agency";

    private static final char ESCAPE = '\\';

    /** How a license stands on a day. */
    public enum State {
        RUNNING,
        /** Within its notice period. */
        ENDING,
        ENDED
    }

    Specification<LicenseEntity> on(LocalDate day) {
        return (license, query, build) -> build.and(Stream.of(
                        Optional.ofNullable(name)
                                .filter(words -> !words.isBlank())
                                .map(words -> build.like(
                                        license.get("searchText"),
                                        "%" + escaped(words.strip().toLowerCase(Locale.ROOT)) + "%",
                                        ESCAPE)),
                        Optional.ofNullable(basis).map(wanted -> build.equal(license.get("basis"), wanted)),
                        Optional.ofNullable(holder)
                                .map(id -> id.equals(AGENCY)
                                        ? build.isNull(license.get("holderId"))
                                        : build.equal(license.get("holderId"), id)),
                        Optional.ofNullable(state).map(wanted -> switch (wanted) {
                            case RUNNING -> build.greaterThanOrEqualTo(license.get("endsOrNever"), day);
                            case ENDED -> build.lessThan(license.get("endsOrNever"), day);
                            case ENDING ->
                                build.and(
                                        build.lessThanOrEqualTo(license.get("noticeFrom"), day),
                                        build.greaterThanOrEqualTo(license.get("endsOrNever"), day));
                        }))
                .flatMap(Optional::stream)
                .toArray(Predicate[]::new));
    }

    /** The words as they stand, with the signs of a pattern taken for themselves. */
    private static String escaped(String words) {
        return words.replaceAll("([\\\\%_])", "\\\\$1");
    }
}
