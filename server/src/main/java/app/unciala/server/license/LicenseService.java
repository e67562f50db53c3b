package app.unciala.server.license;

import app.unciala.core.domain.DomainPattern;
import app.unciala.core.font.FontFormat;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseKind;
import app.unciala.server.history.HistoryService;
import app.unciala.server.http.Ids;
import app.unciala.server.http.Problem;
import app.unciala.server.http.SlotView;
import app.unciala.server.http.Versions;
import app.unciala.server.storage.FileStore;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Licenses with their terms and agreements. */
@Service
public class LicenseService {
    private static final int DEFAULT_NOTICE_DAYS = 30;

    private final LicenseRepository licenses;
    private final FileStore store;
    private final HistoryService history;

    LicenseService(LicenseRepository licenses, FileStore store, HistoryService history) {
        this.licenses = licenses;
        this.store = store;
        this.history = history;
    }

    /** What a license covers of one family: the faces listed, or all of it when none is. */
    public record Covered(String familyId, List<SlotView> faces) {
        public Covered {
            faces = faces == null ? List.of() : List.copyOf(faces);
        }
    }

    /**
     * What a person enters of a license. What is left out is not stated. {@code price} is in hundredths of
     * {@code currency}; {@code proof} is an order number or the like.
     */
    public record LicenseDraft(
            String name,
            LicenseKind kind,
            String vendor,
            List<Covered> covers,
            Clause webUse,
            Clause converting,
            Clause subdomains,
            Clause development,
            boolean anyDomain,
            List<String> domains,
            boolean anyFormat,
            List<String> formats,

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

            @Nullable Integer noticeDays,
            @Nullable Long price,
            String currency,
            String proof,
            String notes) {
        public LicenseDraft {
            kind = kind == null ? LicenseKind.PER_DOMAIN : kind;
            vendor = orEmpty(vendor);
            covers = covers == null ? List.of() : List.copyOf(covers);
            webUse = orSilent(webUse);
            converting = orSilent(converting);
            subdomains = orSilent(subdomains);
            development = orSilent(development);
            domains = domains == null ? List.of() : List.copyOf(domains);
            formats = formats == null ? List.of() : List.copyOf(formats);
            noticeDays = noticeDays == null ? Integer.valueOf(DEFAULT_NOTICE_DAYS) : noticeDays;
            price = price == null ? Long.valueOf(0) : price;
            currency = currency == null || currency.isBlank() ? "EUR" : currency;
            proof = orEmpty(proof);
            notes = orEmpty(notes);
        }

        private static String orEmpty(@Nullable String text) {
            return text == null ? "" : text;
        }

        private static Clause orSilent(@Nullable Clause clause) {
            return clause == null ? Clause.NOT_STATED : clause;
        }
    }

    /** The agreement itself as a stored file. */
    public record Agreement(String fileName, String sha256, long bytes) {}

    /** A license as recorded; {@code agreement} has at most one element. */
    public record Recorded(String id, long version, LicenseDraft terms, List<Agreement> agreement) {
        /** The license as the core decides on it. */
        public License toLicense() {
            return new License(
                    id,
                    terms.name(),
                    terms.kind(),
                    terms.covers().stream()
                            .map(c -> new Coverage(
                                    c.familyId(),
                                    c.faces().stream().map(SlotView::toSlot).toList()))
                            .toList(),
                    terms.webUse(),
                    terms.converting(),
                    terms.subdomains(),
                    terms.development(),
                    terms.anyDomain(),
                    terms.domains().stream().map(DomainPattern::parse).toList(),
                    terms.anyFormat(),
                    terms.formats().stream().map(LicenseService::format).collect(Collectors.toUnmodifiableSet()),
                    Optional.ofNullable(terms.begins()),
                    Optional.ofNullable(terms.ends()),
                    terms.noticeDays() == null ? DEFAULT_NOTICE_DAYS : terms.noticeDays(),
                    !agreement.isEmpty() || !terms.proof().isBlank());
        }
    }

    @Transactional(readOnly = true)
    public List<Recorded> all() {
        return licenses.findAllByOrderByName().stream()
                .map(LicenseService::toRecord)
                .toList();
    }

    @Transactional(readOnly = true)
    public Recorded get(String id) {
        return toRecord(find(id));
    }

    @Transactional
    public Recorded create(LicenseDraft draft) {
        LicenseEntity license = new LicenseEntity(Ids.next());
        license.edit(checked(draft));
        licenses.saveAndFlush(license);
        history.record("license", license.id(), "Recorded license “" + license.name() + "”");
        return toRecord(license);
    }

    @Transactional
    public Recorded update(String id, long expectedVersion, LicenseDraft draft) {
        LicenseEntity license = find(id);
        Versions.check(expectedVersion, license.version());
        license.edit(checked(draft));
        licenses.saveAndFlush(license);
        history.record("license", id, "Changed license “" + license.name() + "”");
        return toRecord(license);
    }

    @Transactional
    public Recorded attach(String id, String fileName, byte[] bytes) {
        if (bytes.length == 0) {
            throw Problem.invalid("“" + fileName + "” is empty; attach the agreement itself.");
        }
        LicenseEntity license = find(id);
        license.attach(new Agreement(fileName, store.put(bytes), bytes.length));
        licenses.saveAndFlush(license);
        history.record("license", id, "Attached “" + fileName + "” to “" + license.name() + "”");
        return toRecord(license);
    }

    private static LicenseDraft checked(LicenseDraft draft) {
        if (draft.name() == null || draft.name().isBlank() || draft.name().length() > 300) {
            throw Problem.invalid("A license’s name has between 1 and 300 characters.");
        }
        if (draft.begins() != null && draft.ends() != null && draft.ends().isBefore(draft.begins())) {
            throw Problem.invalid("It ends on " + draft.ends() + ", before it begins on " + draft.begins() + ".");
        }
        draft.formats().forEach(LicenseService::format);
        List<String> domains = new ArrayList<>();
        for (String domain : draft.domains()) {
            try {
                domains.add(DomainPattern.parse(domain).toString());
            } catch (IllegalArgumentException e) {
                throw Problem.invalid(e.getMessage() + ".");
            }
        }
        return new LicenseDraft(
                draft.name().strip(),
                draft.kind(),
                draft.vendor(),
                draft.covers(),
                draft.webUse(),
                draft.converting(),
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
                draft.currency(),
                draft.proof(),
                draft.notes());
    }

    private static FontFormat format(String key) {
        return FontFormat.fromKey(key)
                .orElseThrow(() -> Problem.invalid("“" + key + "” is no font format; try woff2, woff, ttf or otf."));
    }

    private static Recorded toRecord(LicenseEntity license) {
        return new Recorded(
                license.id(),
                license.version(),
                license.terms(),
                license.agreement().stream().toList());
    }

    private LicenseEntity find(String id) {
        return licenses.findById(id).orElseThrow(() -> Problem.notFound("license", id));
    }
}
