package app.unciala.server.license;

import app.unciala.core.license.Act;
import app.unciala.core.license.Clause;
import app.unciala.core.license.LicenseKind;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What a person enters of a license. What is left out is not stated. {@code price} is in hundredths of
 * {@code currency}, an ISO 4217 code; {@code proof} is an order number or the like.
 */
public record LicenseDraft(
        @NotBlank(message = "A license’s name has between 1 and 300 characters.")
        @Size(max = 300, message = "A license’s name has between 1 and 300 characters.")
        String name,

        LicenseKind kind,

        @Size(max = 300, message = "A vendor’s name has at most 300 characters.")
        String vendor,

        @Size(max = 2000, message = "A license covers at most 2,000 families.")
        List<@NotNull(message = "What is covered is an object.") @Valid Covered> covers,

        Clause webUse,
        Clause converting,
        Clause cutting,
        Clause renaming,
        Clause inlining,
        Clause thirdParty,
        Clause subdomains,
        Clause development,
        boolean anyDomain,

        @Size(max = 500, message = "A license names at most 500 domains.")
        List<
                        @NotNull(message = "A domain is a text.")
                        @Size(max = 300, message = "A domain has at most 300 characters.") String>
                domains,

        boolean anyFormat,

        @Size(max = 20, message = "There are fewer than 20 formats.")
        List<@NotNull(message = "A format is a text.") String> formats,

        @Schema(
                types = {"string", "null"},
                format = "date")
        @Nullable
        LocalDate begins,

        @Schema(
                types = {"string", "null"},
                format = "date")
        @Nullable
        LocalDate ends,

        @Min(value = 0, message = "Days of notice are 0 to 3,650.")
        @Max(value = 3650, message = "Days of notice are 0 to 3,650.")
        @Nullable
        Integer noticeDays,

        @Min(value = 0, message = "A price is 0 or more.")
        @Max(value = 100_000_000_000L, message = "A price is at most a billion.")
        @Nullable
        Long price,

        @Size(max = 3, message = "A currency is three letters, such as EUR.")
        String currency,

        @Size(max = 1000, message = "A proof of purchase has at most 1,000 characters.")
        String proof,

        @Size(max = 20_000, message = "Notes have at most 20,000 characters.")
        String notes) {
    private static final int DEFAULT_NOTICE_DAYS = 30;

    public LicenseDraft {
        kind = kind == null ? LicenseKind.PER_DOMAIN : kind;
        vendor = orEmpty(vendor);
        covers = copy(covers);
        webUse = orSilent(webUse);
        converting = orSilent(converting);
        cutting = orSilent(cutting);
        renaming = orSilent(renaming);
        inlining = orSilent(inlining);
        thirdParty = orSilent(thirdParty);
        subdomains = orSilent(subdomains);
        development = orSilent(development);
        domains = copy(domains);
        formats = copy(formats);
        noticeDays = noticeDays == null ? Integer.valueOf(DEFAULT_NOTICE_DAYS) : noticeDays;
        price = price == null ? Long.valueOf(0) : price;
        currency = currency == null || currency.isBlank() ? "EUR" : currency;
        proof = orEmpty(proof);
        notes = orEmpty(notes);
    }

    /** The same terms for other families and faces. */
    public LicenseDraft covering(List<Covered> others) {
        return new LicenseDraft(
                name,
                kind,
                vendor,
                others,
                webUse,
                converting,
                cutting,
                renaming,
                inlining,
                thirdParty,
                subdomains,
                development,
                anyDomain,
                domains,
                anyFormat,
                formats,
                begins,
                ends,
                noticeDays,
                price,
                currency,
                proof,
                notes);
    }

    /** What is said of each act. */
    Map<Act, Clause> acts() {
        return Map.of(
                Act.SERVE, webUse,
                Act.CONVERT, converting,
                Act.CUT, cutting,
                Act.RENAME, renaming,
                Act.INLINE, inlining,
                Act.THIRD_PARTY, thirdParty);
    }

    /** Days of notice, which are always known once the record is made. */
    int notice() {
        return Objects.requireNonNull(noticeDays);
    }

    private static String orEmpty(@Nullable String text) {
        return text == null ? "" : text;
    }

    private static Clause orSilent(@Nullable Clause clause) {
        return clause == null ? Clause.NOT_STATED : clause;
    }

    /** A copy that may hold null, which is then refused with the name of its field. */
    static <T> List<T> copy(@Nullable List<T> list) {
        return list == null ? List.of() : Collections.unmodifiableList(new ArrayList<>(list));
    }
}
