package app.unciala.server.license;

import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.Holder;
import app.unciala.core.license.License;
import app.unciala.core.license.OpenLicense;
import app.unciala.core.license.PageViews;
import app.unciala.core.license.Period;
import app.unciala.core.license.PermittedDomains;
import app.unciala.core.license.Quote;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Days;
import app.unciala.server.inventory.Formats;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.LicenseService.Recorded;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** The terms of a license: checked before they are recorded, and said in words where their changes are told. */
final class LicenseTerms {
    private LicenseTerms() {}

    /** The terms as they are recorded: domains, faces and the currency as they are written; refused where they are none. */
    static LicenseDraft checked(LicenseDraft draft) {
        if (draft.begins() != null && draft.ends() != null && draft.ends().isBefore(draft.begins())) {
            throw Fault.invalid("ends", "It ends on " + draft.ends() + ", before it begins on " + draft.begins() + ".");
        }
        Days.mustBeNear("begins", draft.begins());
        Days.mustBeNear("ends", draft.ends());
        Days.mustBeNear("nextPayment", draft.nextPayment());
        Days.mustBeNear("confirmedOn", draft.confirmedOn());
        draft.formats().forEach(format -> Formats.read("formats", format));
        List<String> domains = new ArrayList<>();
        for (String domain : draft.domains()) {
            try {
                domains.add(DomainPattern.parse(domain).toString());
            } catch (IllegalArgumentException e) {
                throw Fault.invalid("domains", e.getMessage() + ".");
            }
        }
        return LicenseDraftBuilder.builder(draft)
                .name(draft.name().strip())
                .spdx(spdx(draft))
                .covers(draft.covers().stream()
                        .map(covered -> new Covered(
                                covered.familyId(),
                                covered.faces().stream()
                                        .map(face -> SlotView.of(face.toSlot()))
                                        .distinct()
                                        .toList()))
                        .toList())
                .domains(domains.stream().distinct().toList())
                .currency(currency(draft.currency()))
                .build();
    }

    private static String spdx(LicenseDraft draft) {
        String typed = draft.spdx().strip();
        if (typed.isEmpty()) {
            return "";
        }
        return OpenLicense.ofSpdx(typed)
                .map(OpenLicense::spdx)
                .orElseThrow(() -> Fault.invalid(
                        "spdx",
                        "“" + typed + "” isn’t an open license for fonts that is known here; leave it empty, and record"
                                + " what its text grants."));
    }

    private static String currency(String code) {
        try {
            return Currency.getInstance(code.strip().toUpperCase(Locale.ROOT)).getCurrencyCode();
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("currency", "“" + code + "” isn’t a currency; write its three letters, such as EUR.");
        }
    }

    /** The license as the core decides on it. */
    static License toLicense(Recorded license) {
        LicenseDraft terms = license.terms();
        return License.named(license.id(), terms.name())
                .basis(terms.basis())
                .open(OpenLicense.ofSpdx(terms.spdx()))
                .holder(Optional.ofNullable(terms.holderId()).map(id -> new Holder(id, license.holderName())))
                .covers(terms.covers().stream()
                        .map(covered -> new Coverage(
                                covered.familyId(),
                                covered.faces().stream().map(SlotView::toSlot).toList()))
                        .toList())
                .acts(terms.acts())
                .domains(new PermittedDomains(
                        terms.anyDomain(),
                        terms.domains().stream().map(DomainPattern::recorded).toList(),
                        terms.domainLimit() == null ? OptionalInt.empty() : OptionalInt.of(terms.domainLimit()),
                        terms.counting(),
                        terms.subdomains(),
                        terms.development(),
                        terms.developmentCounts()))
                .anyFormat(terms.anyFormat())
                .formats(terms.formats().stream()
                        .map(format -> Formats.read("formats", format))
                        .collect(Collectors.toUnmodifiableSet()))
                .period(new Period(
                        Optional.ofNullable(terms.begins()),
                        Optional.ofNullable(terms.ends()),
                        terms.notice(),
                        terms.renews()))
                .pageViews(Optional.ofNullable(terms.pageViewLimit())
                        .map(limit -> new PageViews(limit, license.pageViews())))
                .quotes(terms.quotes().entrySet().stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getKey,
                                quoted -> new Quote(
                                        quoted.getValue().text(),
                                        quoted.getValue().place()))))
                .hasProof(!license.agreement().isEmpty() || !terms.proof().isBlank())
                .build();
    }

    /** The terms in words, by the names of their fields. */
    static Map<String, String> described(Recorded license) {
        LicenseDraft terms = license.terms();
        Map<String, String> words = new LinkedHashMap<>();
        words.put("name", terms.name());
        words.put("basis", terms.basis().words());
        words.put("spdx", terms.spdx());
        words.put("vendor", terms.vendor());
        words.put("holder", license.holderName());
        words.put(
                "covers",
                terms.covers().stream()
                        .map(covered -> license.familyNames().getOrDefault(covered.familyId(), covered.familyId())
                                + (covered.faces().isEmpty()
                                        ? ""
                                        : " ("
                                                + covered.faces().stream()
                                                        .map(SlotView::label)
                                                        .collect(Collectors.joining(", "))
                                                + ")"))
                        .collect(Collectors.joining(", ")));
        words.put("webUse", words(terms.webUse()));
        words.put("converting", words(terms.converting()));
        words.put("cutting", words(terms.cutting()));
        words.put("renaming", words(terms.renaming()));
        words.put("inlining", words(terms.inlining()));
        words.put("thirdParty", words(terms.thirdParty()));
        words.put("transfer", words(terms.transfer()));
        words.put("subdomains", words(terms.subdomains()));
        words.put("development", words(terms.development()));
        words.put("developmentCounts", yesOrNo(terms.developmentCounts()));
        words.put("domainLimit", orNothing(terms.domainLimit()));
        words.put("counting", terms.counting().words());
        words.put("pageViewLimit", orNothing(terms.pageViewLimit()));
        words.put("domains", terms.anyDomain() ? "any" : String.join(", ", terms.domains()));
        words.put("formats", terms.anyFormat() ? "any" : String.join(", ", terms.formats()));
        words.put("begins", orNothing(terms.begins()));
        words.put("ends", orNothing(terms.ends()));
        words.put("renews", yesOrNo(terms.renews()));
        words.put("noticeDays", String.valueOf(terms.noticeDays()));
        words.put(
                "price",
                terms.price() == null || terms.price() == 0
                        ? ""
                        : terms.price() / 100 + "." + String.format(Locale.ROOT, "%02d", terms.price() % 100) + " "
                                + terms.currency());
        words.put("pricePer", terms.pricePer().name().toLowerCase(Locale.ROOT));
        words.put("nextPayment", orNothing(terms.nextPayment()));
        words.put("proof", terms.proof());
        words.put("confirmedBy", terms.confirmedBy());
        words.put("confirmedOn", orNothing(terms.confirmedOn()));
        words.put(
                "quotes",
                terms.quotes().values().stream()
                        .map(quote -> new Quote(quote.text(), quote.place()).toString())
                        .collect(Collectors.joining("; ")));
        words.put("notes", terms.notes());
        return words;
    }

    private static String orNothing(@Nullable Object value) {
        return value == null ? "" : value.toString();
    }

    private static String yesOrNo(boolean value) {
        return value ? "yes" : "no";
    }

    private static String words(Clause clause) {
        return clause.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
