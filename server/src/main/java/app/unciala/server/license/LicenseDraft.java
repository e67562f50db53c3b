package app.unciala.server.license;

import app.unciala.core.license.Act;
import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.PermittedDomains.Counting;
import com.fasterxml.jackson.annotation.JsonAlias;
import io.soabase.recordbuilder.core.RecordBuilder;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * What a person enters of a license. What is left out is not stated.
 *
 * @param spdx the SPDX identifier of the open license that it is, or empty
 * @param holderId the client who holds it; the agency when null
 * @param domainLimit how many domains may be named; as many as one likes when null
 * @param pageViewLimit how many page views a month are permitted; as many as there are when null
 * @param renews whether it goes on by itself after its last day
 * @param price in hundredths of {@code currency}, an ISO 4217 code, for each {@code pricePer}
 * @param proof an order number or the like
 * @param confirmedBy who at the vendor confirmed that web use is permitted, on {@code confirmedOn}
 * @param quotes the words of the agreement that say what is said on a point
 */
@RecordBuilder
public record LicenseDraft(
        @NotBlank(message = "A license’s name has between 1 and 300 characters.")
        @Size(max = 300, message = "A license’s name has between 1 and 300 characters.")
        String name,

        @JsonAlias("kind") Basis basis,

        @Size(max = 100, message = "An SPDX identifier has at most 100 characters.")
        String spdx,

        @Size(max = 300, message = "A vendor’s name has at most 300 characters.")
        String vendor,

        @Schema(types = {"string", "null"})
        @Size(max = 20, message = "A client’s id has at most 20 characters.")
        @Nullable
        String holderId,

        @Size(max = 2000, message = "A license covers at most 2,000 families.")
        List<@NotNull(message = "What is covered is an object.") @Valid Covered> covers,

        Clause webUse,
        Clause converting,
        Clause cutting,
        Clause renaming,
        Clause inlining,
        Clause thirdParty,
        Clause transfer,
        Clause subdomains,
        Clause development,
        boolean developmentCounts,
        boolean anyDomain,

        @Size(max = 500, message = "A license names at most 500 domains.")
        List<
                        @NotNull(message = "A domain is a text.")
                        @Size(max = 300, message = "A domain has at most 300 characters.") String>
                domains,

        @Schema(types = {"integer", "null"})
        @Min(value = 1, message = "A license for a number of domains permits 1 to 100,000.")
        @Max(value = 100_000, message = "A license for a number of domains permits 1 to 100,000.")
        @Nullable
        Integer domainLimit,

        Counting counting,
        boolean anyFormat,

        @Size(max = 20, message = "There are fewer than 20 formats.")
        List<@NotNull(message = "A format is a text.") String> formats,

        @Schema(types = {"integer", "null"})
        @Min(value = 1, message = "Page views permitted a month are 1 or more.")
        @Max(value = 1_000_000_000_000L, message = "Page views permitted a month are at most a million million.")
        @Nullable
        Long pageViewLimit,

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

        boolean renews,

        @Min(value = 0, message = "A notice period is 0 to 3,650 days.")
        @Max(value = 3650, message = "A notice period is 0 to 3,650 days.")
        @Nullable
        Integer noticeDays,

        @Min(value = 0, message = "A price is 0 or more.")
        @Max(value = 100_000_000_000L, message = "A price is at most a billion.")
        @Nullable
        Long price,

        @Size(max = 3, message = "A currency is three letters, such as EUR.")
        String currency,

        PricePer pricePer,

        @Schema(
                types = {"string", "null"},
                format = "date")
        @Nullable
        LocalDate nextPayment,

        @Size(max = 1000, message = "A proof of purchase has at most 1,000 characters.")
        String proof,

        @Size(max = 300, message = "Who confirmed web use has at most 300 characters.")
        String confirmedBy,

        @Schema(
                types = {"string", "null"},
                format = "date")
        @Nullable
        LocalDate confirmedOn,

        @Size(max = 20, message = "At most 20 sentences are quoted.")
        Map<Point, @NotNull(message = "A quote is an object.") @Valid Quoted> quotes,

        @Size(max = 20_000, message = "Notes have at most 20,000 characters.")
        String notes) {
    private static final int DEFAULT_NOTICE_DAYS = 30;

    /** What a price is paid for. */
    public enum PricePer {
        ONCE,
        MONTH,
        YEAR
    }

    /** A sentence of an agreement, and where it stands in it. */
    public record Quoted(
            @NotBlank(message = "A quote has between 1 and 2,000 characters.")
            @Size(max = 2000, message = "A quote has between 1 and 2,000 characters.")
            String text,

            @Size(max = 100, message = "The place of a quote has at most 100 characters.")
            String place) {
        public Quoted {
            place = place == null ? "" : place;
        }
    }

    public LicenseDraft {
        name = orEmpty(name);
        basis = basis == null ? Basis.CUSTOM : basis;
        spdx = orEmpty(spdx);
        vendor = orEmpty(vendor);
        covers = copy(covers);
        webUse = orSilent(webUse);
        converting = orSilent(converting);
        cutting = orSilent(cutting);
        renaming = orSilent(renaming);
        inlining = orSilent(inlining);
        thirdParty = orSilent(thirdParty);
        transfer = orSilent(transfer);
        subdomains = orSilent(subdomains);
        development = orSilent(development);
        domains = copy(domains);
        counting = counting == null ? Counting.HOST : counting;
        formats = copy(formats);
        noticeDays = noticeDays == null ? Integer.valueOf(DEFAULT_NOTICE_DAYS) : noticeDays;
        price = price == null ? Long.valueOf(0) : price;
        currency = currency == null || currency.isBlank() ? "EUR" : currency;
        pricePer = pricePer == null ? PricePer.ONCE : pricePer;
        proof = orEmpty(proof);
        confirmedBy = orEmpty(confirmedBy);
        quotes = quotes == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(quotes));
        notes = orEmpty(notes);
    }

    /** Whether terms have a field of a name. */
    public static boolean hasField(String name) {
        return Arrays.stream(LicenseDraft.class.getRecordComponents())
                .anyMatch(component -> component.getName().equals(name));
    }

    /** The same terms for other families and faces. */
    public LicenseDraft covering(List<Covered> others) {
        return LicenseDraftBuilder.builder(this).covers(others).build();
    }

    /** The terms alone, without what belongs to one purchase: families, holder, named domains, days and proofs. */
    public LicenseDraft ofNoPurchase() {
        return LicenseDraftBuilder.builder(this)
                .covers(List.of())
                .holderId(null)
                .domains(List.of())
                .begins(null)
                .ends(null)
                .nextPayment(null)
                .proof("")
                .confirmedBy("")
                .confirmedOn(null)
                .build();
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
