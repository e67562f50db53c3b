package app.unciala.server.ledger;

import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.server.license.LicenseDraft.PricePer;
import app.unciala.server.license.LicenseDraftBuilder;
import com.google.common.base.CaseFormat;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A column of the license ledger: how a term is written in it, and read from it. An empty cell is not stated. */
enum LedgerColumn {
    NAME(license -> license.terms().name(), LicenseDraftBuilder::name),
    BASIS(license -> license.terms().basis(), (draft, text) -> draft.basis(word(Basis.class, text))),
    SPDX(license -> license.terms().spdx(), LicenseDraftBuilder::spdx),
    VENDOR(license -> license.terms().vendor(), LicenseDraftBuilder::vendor),
    /** The name of the client who holds it; the agency when empty. Looked up apart. */
    HOLDER(LedgerEntry::holder, (draft, text) -> {}),
    /** The names of families, each with the faces named of it, as {@link LedgerFaces} writes them. Looked up apart. */
    COVERS(license -> LedgerFaces.written(license.covers()), (draft, text) -> {}),
    WEB_USE(license -> license.terms().webUse(), (draft, text) -> draft.webUse(word(Clause.class, text))),
    THIRD_PARTY(license -> license.terms().thirdParty(), (draft, text) -> draft.thirdParty(word(Clause.class, text))),
    INLINING(license -> license.terms().inlining(), (draft, text) -> draft.inlining(word(Clause.class, text))),
    CONVERTING(license -> license.terms().converting(), (draft, text) -> draft.converting(word(Clause.class, text))),
    CUTTING(license -> license.terms().cutting(), (draft, text) -> draft.cutting(word(Clause.class, text))),
    RENAMING(license -> license.terms().renaming(), (draft, text) -> draft.renaming(word(Clause.class, text))),
    TRANSFER(license -> license.terms().transfer(), (draft, text) -> draft.transfer(word(Clause.class, text))),
    SUBDOMAINS(license -> license.terms().subdomains(), (draft, text) -> draft.subdomains(word(Clause.class, text))),
    DEVELOPMENT(license -> license.terms().development(), (draft, text) -> draft.development(word(Clause.class, text))),
    DEVELOPMENT_COUNTS(
            license -> license.terms().developmentCounts(), (draft, text) -> draft.developmentCounts(yes(text))),
    ANY_DOMAIN(license -> license.terms().anyDomain(), (draft, text) -> draft.anyDomain(yes(text))),
    DOMAINS(license -> license.terms().domains(), (draft, text) -> draft.domains(list(text))),
    DOMAIN_LIMIT(license -> license.terms().domainLimit(), (draft, text) -> draft.domainLimit(Integer.valueOf(text))),
    COUNTING(license -> license.terms().counting(), (draft, text) -> draft.counting(word(Counting.class, text))),
    ANY_FORMAT(license -> license.terms().anyFormat(), (draft, text) -> draft.anyFormat(yes(text))),
    FORMATS(license -> license.terms().formats(), (draft, text) -> draft.formats(list(text))),
    PAGE_VIEW_LIMIT(
            license -> license.terms().pageViewLimit(), (draft, text) -> draft.pageViewLimit(Long.valueOf(text))),
    BEGINS(license -> license.terms().begins(), (draft, text) -> draft.begins(LocalDate.parse(text))),
    ENDS(license -> license.terms().ends(), (draft, text) -> draft.ends(LocalDate.parse(text))),
    RENEWS(license -> license.terms().renews(), (draft, text) -> draft.renews(yes(text))),
    NOTICE_DAYS(license -> license.terms().noticeDays(), (draft, text) -> draft.noticeDays(Integer.valueOf(text))),
    PRICE(
            LedgerColumn::price,
            (draft, text) -> draft.price(new BigDecimal(text).movePointRight(2).longValueExact())),
    CURRENCY(license -> license.terms().currency(), LicenseDraftBuilder::currency),
    PRICE_PER(license -> license.terms().pricePer(), (draft, text) -> draft.pricePer(word(PricePer.class, text))),
    NEXT_PAYMENT(license -> license.terms().nextPayment(), (draft, text) -> draft.nextPayment(LocalDate.parse(text))),
    PROOF(license -> license.terms().proof(), LicenseDraftBuilder::proof),
    CONFIRMED_BY(license -> license.terms().confirmedBy(), LicenseDraftBuilder::confirmedBy),
    CONFIRMED_ON(license -> license.terms().confirmedOn(), (draft, text) -> draft.confirmedOn(LocalDate.parse(text))),
    NOTES(license -> license.terms().notes(), LicenseDraftBuilder::notes);

    private final Function<LedgerEntry, @Nullable Object> value;
    private final BiConsumer<LicenseDraftBuilder, String> setter;

    LedgerColumn(Function<LedgerEntry, @Nullable Object> value, BiConsumer<LicenseDraftBuilder, String> setter) {
        this.value = value;
        this.setter = setter;
    }

    /** The name that heads the column, such as {@code web_use}. */
    String heading() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The name of the term in JSON, such as {@code webUse}. */
    String camelCase() {
        return CaseFormat.UPPER_UNDERSCORE.to(CaseFormat.LOWER_CAMEL, name());
    }

    static Optional<LedgerColumn> headed(String heading) {
        return Arrays.stream(values())
                .filter(column -> column.heading().equals(heading.strip().toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    /** What stands in the cell of a license. */
    String cell(LedgerEntry license) {
        Object written = value.apply(license);
        if (written == null || Boolean.FALSE.equals(written)) {
            return "";
        }
        if (written instanceof List<?> list) {
            return list.stream().map(Object::toString).collect(Collectors.joining(", "));
        }
        return written instanceof Enum<?> word
                ? word.name().toLowerCase(Locale.ROOT)
                : Boolean.TRUE.equals(written) ? "yes" : written.toString();
    }

    /** Takes over what stands in a cell; throws an {@link IllegalArgumentException} or the like where it says nothing. */
    void read(LicenseDraftBuilder draft, String cell) {
        setter.accept(draft, cell);
    }

    /** What may stand in a cell, for whoever wrote something else. */
    String expected() {
        return switch (this) {
            case BASIS -> words(Basis.values());
            case COUNTING -> words(Counting.values());
            case PRICE_PER -> words(PricePer.values());
            case BEGINS, ENDS, NEXT_PAYMENT, CONFIRMED_ON -> "a day such as 2030-04-01";
            case DOMAIN_LIMIT, PAGE_VIEW_LIMIT, NOTICE_DAYS -> "a whole number";
            case PRICE -> "an amount such as 120.50";
            case RENEWS, ANY_DOMAIN, ANY_FORMAT, DEVELOPMENT_COUNTS -> "yes or no";
            default -> words(Clause.values());
        };
    }

    private static String words(Enum<?>[] values) {
        return Arrays.stream(values)
                .map(value -> value.name().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", ", "one of ", ""));
    }

    private static @Nullable Object price(LedgerEntry license) {
        Long cents = license.terms().price();
        return cents == null || cents == 0 ? null : BigDecimal.valueOf(cents, 2).toPlainString();
    }

    private static <E extends Enum<E>> E word(Class<E> type, String text) {
        return Enum.valueOf(type, text.toUpperCase(Locale.ROOT).replace(' ', '_'));
    }

    private static boolean yes(String text) {
        return switch (text.toLowerCase(Locale.ROOT)) {
            case "yes", "true", "1" -> true;
            case "no", "false", "0" -> false;
            default -> throw new IllegalArgumentException(text);
        };
    }

    private static List<String> list(String text) {
        return Arrays.stream(text.split("[,;]"))
                .map(String::strip)
                .filter(part -> !part.isEmpty())
                .toList();
    }
}
