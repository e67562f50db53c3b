package app.unciala.server.license;

import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.Clause;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Formats;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.LicenseService.Recorded;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
        if (isFarOff(draft.begins()) || isFarOff(draft.ends())) {
            throw Fault.invalid("ends", "A license runs between the years 1900 and 3000.");
        }
        draft.formats().forEach(format -> Formats.read("formats", format));
        List<String> domains = new ArrayList<>();
        for (String domain : draft.domains()) {
            try {
                domains.add(DomainPattern.parse(domain).toString());
            } catch (IllegalArgumentException e) {
                throw Fault.invalid("domains", e.getMessage() + ".");
            }
        }
        return new LicenseDraft(
                draft.name().strip(),
                draft.kind(),
                draft.vendor(),
                draft.covers().stream()
                        .map(covered -> new Covered(
                                covered.familyId(),
                                covered.faces().stream()
                                        .map(face -> SlotView.of(face.toSlot()))
                                        .distinct()
                                        .toList()))
                        .toList(),
                draft.webUse(),
                draft.converting(),
                draft.cutting(),
                draft.renaming(),
                draft.inlining(),
                draft.thirdParty(),
                draft.subdomains(),
                draft.development(),
                draft.anyDomain(),
                domains.stream().distinct().toList(),
                draft.anyFormat(),
                draft.formats(),
                draft.begins(),
                draft.ends(),
                draft.noticeDays(),
                draft.price(),
                currency(draft.currency()),
                draft.proof(),
                draft.notes());
    }

    private static boolean isFarOff(@Nullable LocalDate day) {
        return day != null && (day.getYear() < 1900 || day.getYear() > 3000);
    }

    private static String currency(String code) {
        try {
            return Currency.getInstance(code.strip().toUpperCase(Locale.ROOT)).getCurrencyCode();
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("currency", "“" + code + "” is no currency; write its three letters, such as EUR.");
        }
    }

    /** The terms in words, by the names of their fields. */
    static Map<String, String> described(Recorded license) {
        LicenseDraft terms = license.terms();
        Map<String, String> words = new LinkedHashMap<>();
        words.put("name", terms.name());
        words.put("kind", terms.kind().words());
        words.put("vendor", terms.vendor());
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
        words.put("subdomains", words(terms.subdomains()));
        words.put("development", words(terms.development()));
        words.put("domains", terms.anyDomain() ? "any" : String.join(", ", terms.domains()));
        words.put("formats", terms.anyFormat() ? "any" : String.join(", ", terms.formats()));
        words.put("begins", terms.begins() == null ? "" : terms.begins().toString());
        words.put("ends", terms.ends() == null ? "" : terms.ends().toString());
        words.put("noticeDays", String.valueOf(terms.noticeDays()));
        words.put(
                "price",
                terms.price() == null || terms.price() == 0
                        ? ""
                        : terms.price() / 100 + "." + String.format(Locale.ROOT, "%02d", terms.price() % 100) + " "
                                + terms.currency());
        words.put("proof", terms.proof());
        words.put("notes", terms.notes());
        return words;
    }

    private static String words(Clause clause) {
        return clause.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
