package app.unciala.server.proof;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.Verdict;
import app.unciala.core.proof.Edit;
import app.unciala.core.proof.Finding;
import app.unciala.core.proof.KnownFile;
import app.unciala.core.proof.ProofReader;
import app.unciala.core.proof.ProofReader.Proof;
import app.unciala.core.proof.Reference;
import app.unciala.font.budget.Budget;
import app.unciala.font.face.Classification;
import app.unciala.server.decision.DecisionService;
import app.unciala.server.decision.DecisionService.Decided;
import app.unciala.server.decision.DecisionService.Question;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Formats;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.limit.BoundedWork;
import app.unciala.server.limit.Work;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.net.URI;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Proof-reads style sheets against what is held, and for a site against what its licenses allow. */
@Service
public class ProofService {
    private static final int LONGEST = 3_000_000;

    private final SiteService sites;
    private final FamilyService families;
    private final DecisionService decisions;
    private final Links links;
    private final BoundedWork work;

    ProofService(SiteService sites, FamilyService families, DecisionService decisions, Links links, BoundedWork work) {
        this.work = work;
        this.sites = sites;
        this.families = families;
        this.decisions = decisions;
        this.links = links;
    }

    /** A style sheet, and the address it is served at or the page it is for. */
    public record StyleSheetText(
            @NotNull(message = "Paste a style sheet.")
            @Size(max = LONGEST, message = "A style sheet has at most 3,000,000 characters.")
            String css,

            @Schema(types = {"string", "null"})
            @Size(max = 2000, message = "An address has at most 2,000 characters.")
            @Nullable
            String url) {}

    /**
     * One thing that is wrong.
     *
     * @param line from 1
     * @param column from 1, in UTF-16 units
     * @param kind such as {@code typographic-quotes}
     * @param fix what should stand there, or what to do; null when that takes knowing more
     * @param edits the replacements that make the fix, by offsets in UTF-16 units; they belong together
     */
    public record FindingView(
            int line,
            int column,
            String kind,
            String message,
            @Schema(types = {"string", "null"}) @Nullable String fix,
            List<Edit> edits) {
        static FindingView of(Finding finding) {
            return new FindingView(
                    finding.line(),
                    finding.column(),
                    finding.kind().key(),
                    finding.message(),
                    finding.fix().orElse(null),
                    finding.edits());
        }
    }

    /** The findings in the order of the text, and the text with every correction that can be made. */
    public record ProofView(List<FindingView> findings, String fixed) {}

    /** Reads a style sheet for a site; without an address it is taken to stand on the site's first domain. */
    public ProofView forSite(String siteId, StyleSheetText pasted) {
        Site site = sites.get(siteId);
        Optional<URI> address = address(pasted)
                .or(() -> site.domains().stream().findFirst().map(domain -> URI.create("https://" + domain + "/")));
        return read(pasted.css(), address, Optional.of(site));
    }

    /** Reads a style sheet that belongs to no site: nothing is said of what licenses allow. */
    public ProofView read(StyleSheetText pasted) {
        return read(pasted.css(), address(pasted), Optional.empty());
    }

    private ProofView read(String css, Optional<URI> address, Optional<Site> site) {
        return work.of(Work.STYLE_SHEET, () -> proof(css, address, site));
    }

    private ProofView proof(String css, Optional<URI> address, Optional<Site> site) {
        Proof proof = ProofReader.read(
                css,
                Reference.inventory(address, known(css, site))
                        .replacing(site.map(any -> any.delivery().expression()).orElse("")));
        return new ProofView(proof.findings().stream().map(FindingView::of).toList(), proof.fixed());
    }

    private List<KnownFile> known(String css, Optional<Site> site) {
        List<KnownFile> known = new ArrayList<>();
        for (String name : ProofReader.named(css).families()) {
            Budget.check();
            links.familyNamed(name).map(families::get).ifPresent(family -> {
                Map<String, Optional<String>> decided = new HashMap<>();
                for (File file : family.files()) {
                    known.add(new KnownFile(
                            file.fileName(),
                            family.name(),
                            file.slot().toSlot(),
                            Formats.read("format", file.format()),
                            Classification.of(family.classification()).map(GenericFamily::of),
                            site.flatMap(one -> decided.computeIfAbsent(
                                    file.slot().key(), key -> whyNot(family, file.slot(), one)))));
                }
            });
        }
        return known;
    }

    private Optional<String> whyNot(Family family, SlotView slot, Site site) {
        Decided decided = decisions.decide(new Question(family.id(), slot, "woff2", null, site.id(), null, null));
        if (decided.verdict() == Verdict.ALLOWED) {
            return Optional.empty();
        }
        return Optional.of(decided.reasons().stream()
                .filter(reason -> reason.verdict() == decided.verdict())
                .map(Reason::text)
                .findFirst()
                .orElse("no license covers it"));
    }

    private static Optional<URI> address(StyleSheetText pasted) {
        if (pasted.url() == null || pasted.url().isBlank()) {
            return Optional.empty();
        }
        try {
            URI address = URI.create(pasted.url().strip());
            if (address.getHost() != null) {
                return Optional.of(address);
            }
        } catch (IllegalArgumentException e) {
            // Told below, like an address without a host.
        }
        throw Fault.invalid(
                "url", "“" + pasted.url() + "” isn’t an address; write one such as https://client.example/.");
    }
}
