package app.unciala.server.decision;

import app.unciala.core.domain.DomainName;
import app.unciala.core.license.Act;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.FaceUse;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseQuestions;
import app.unciala.core.license.Verdict;
import app.unciala.server.family.FamilyService;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Days;
import app.unciala.server.inventory.Formats;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Decides on one use that a person or a program asks about; nothing is recorded by asking. */
@Service
public class DecisionService {
    private final FamilyService families;
    private final LicenseService licenses;
    private final SiteService sites;
    private final Clock clock;

    DecisionService(FamilyService families, LicenseService licenses, SiteService sites, Clock clock) {
        this.families = families;
        this.licenses = licenses;
        this.sites = sites;
        this.clock = clock;
    }

    /**
     * What is asked about: a face, what is done with it, where and when. Without acts it is served; without a day it is
     * today; without a domain it is on every domain of the site; without a site either, on an unknown one.
     *
     * @param format such as {@code woff2}; without one, formats are not asked about
     */
    public record Question(
            @NotBlank(message = "Say which family it is about.")
            String familyId,

            @NotNull(message = "Say which face it is about: weight, width and slope.")
            SlotView slot,

            @Schema(types = {"string", "null"}) @Nullable String format,

            @Schema(types = {"string", "null"})
            @Size(max = 300, message = "A domain has at most 300 characters.")
            @Nullable
            String domain,

            @Schema(types = {"string", "null"}) @Nullable String siteId,

            @Schema(types = {"array", "null"}) @Nullable
            List<@NotNull(message = "An act is one of those named.") AskedAct> acts,

            @Schema(
                    types = {"string", "null"},
                    format = "date")
            @Nullable
            LocalDate day) {}

    /** The answer of the license that speaks most in favor; {@code licenseId} is null when none covers the face. */
    @Schema(name = "DecidedUse")
    public record Decided(
            Verdict verdict,
            @Schema(types = {"string", "null"}) @Nullable String licenseId,
            List<Reason> reasons) {}

    @Transactional(readOnly = true)
    public Decided decide(Question question) {
        families.get(question.familyId());
        Days.mustBeNear("day", question.day());
        List<License> covering = licenses.covering(List.of(question.familyId())).stream()
                .map(Recorded::toLicense)
                .toList();
        Optional<Site> site = Optional.ofNullable(question.siteId()).map(sites::get);
        return places(question, site).stream()
                .map(place -> LicenseQuestions.asked(covering, use(question, place, site.map(Site::clientId))))
                .max(Comparator.comparing(Decision::verdict))
                .map(decision ->
                        new Decided(decision.verdict(), decision.licenseId().orElse(null), decision.reasons()))
                .orElseThrow();
    }

    /** The hosts asked about, of which the worst decides; nothing stands for an unknown one. */
    private static List<Optional<Place>> places(Question question, Optional<Site> site) {
        List<Place> ofSite = site.map(Site::places).orElse(List.of());
        if (question.domain() != null && !question.domain().isBlank()) {
            DomainName host = domain(question.domain());
            return List.of(Optional.of(ofSite.stream()
                    .filter(place -> place.host().equals(host))
                    .findFirst()
                    .orElse(Place.live(host))));
        }
        return ofSite.isEmpty()
                ? List.of(Optional.empty())
                : ofSite.stream().map(Optional::of).toList();
    }

    private static DomainName domain(String typed) {
        try {
            return DomainName.parse(typed);
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("domain", e.getMessage() + ".");
        }
    }

    private FaceUse use(Question question, Optional<Place> place, Optional<String> clientId) {
        Set<Act> acts = question.acts() == null || question.acts().isEmpty()
                ? EnumSet.of(Act.SERVE)
                : question.acts().stream()
                        .map(AskedAct::act)
                        .collect(Collectors.toCollection(() -> EnumSet.noneOf(Act.class)));
        return new FaceUse(
                question.familyId(),
                question.slot().toSlot(),
                acts,
                Optional.ofNullable(question.format()).map(name -> Formats.read("format", name)),
                place,
                clientId,
                question.day() == null ? LocalDate.now(clock) : question.day());
    }
}
