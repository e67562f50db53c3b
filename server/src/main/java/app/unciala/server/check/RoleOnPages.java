package app.unciala.server.check;

import app.unciala.core.check.SiteRoles;
import app.unciala.core.check.SiteRoles.Verdict;
import app.unciala.core.css.TextRole;
import app.unciala.core.flag.LatestCheck.Decider;
import app.unciala.core.flag.LatestCheck.OtherRole;
import app.unciala.core.flag.LatestCheck.ShownInstead;
import app.unciala.core.page.AskedRole;
import app.unciala.core.page.OtherMeasure;
import app.unciala.core.page.RoleShown;
import app.unciala.font.face.Slope;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import app.unciala.server.site.SiteRole;
import app.unciala.server.site.SiteService.Site;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A text role of a site on the pages that a check read: what is asked, and what its texts are shown in.
 *
 * @param role its id, or the name of one of the site's own
 * @param texts how many texts have it
 * @param pages on how many pages they are
 * @param shown what they are shown in, page by page
 */
public record RoleOnPages(
        String role,
        String label,
        String selector,
        int texts,
        int pages,
        Verdict verdict,
        AskedFace asked,
        List<ShownFace> shown) {

    /** The face that a role asks for, by the name of its family in CSS. */
    public record AskedFace(String family, double weight, String slope) {}

    /**
     * A size, line height or spacing that is not as the role says.
     *
     * @param asked as the role says it, with what that is in pixels where it is said in something else
     * @param winner the declaration that decides; null where none speaks of it
     */
    public record OtherMeasureView(
            String property,
            String asked,
            String shown,
            @Schema(types = {"object", "null"}) @Nullable WinningRule winner) {
        private static OtherMeasureView of(OtherMeasure measure) {
            return new OtherMeasureView(
                    measure.property(),
                    measure.asked(),
                    measure.shown(),
                    measure.winner().map(WinningRule::of).orElse(null));
        }
    }

    /**
     * Texts of a page that are shown alike for the same reason.
     *
     * @param faked what the browser fakes: {@code bold}, {@code oblique}
     * @param text the first of them, and {@code path} where it is
     * @param measures what is not as the role says besides the face; empty where a check before Unciala looked at it
     * @param winner the declaration that decides otherwise; null for texts that are as asked, and where none speaks of it
     * @param why what no CSS can change, in a sentence; empty where there is an override
     * @param override CSS that, added at the end of the page's last style sheet, shows them as asked; null where none does
     * @param overrideAnywhere CSS that does the same wherever it stands, such as in a pack's style sheet; null where none does
     */
    @Schema(name = "ShownInRole")
    public record ShownFace(
            String family,
            double weight,
            String slope,
            List<String> faked,
            int texts,
            String page,
            String text,
            String path,
            boolean asAsked,
            boolean onPhoneOnly,
            List<OtherMeasureView> measures,
            @Schema(types = {"object", "null"}) @Nullable WinningRule winner,
            String why,
            @Schema(types = {"string", "null"}) @Nullable String override,
            @Schema(types = {"string", "null"}) @Nullable String overrideAnywhere) {
        public ShownFace {
            measures = Objects.requireNonNullElse(measures, List.of());
        }

        private ShownInstead instead() {
            return new ShownInstead(
                    page,
                    texts,
                    family,
                    weight,
                    faked,
                    measures.stream()
                            .map(measure ->
                                    measure.property() + " " + measure.shown() + " instead of " + measure.asked())
                            .toList(),
                    Optional.ofNullable(winner)
                            .map(one -> new Decider(
                                    one.property(),
                                    one.value(),
                                    one.selector(),
                                    Optional.ofNullable(one.sheet()),
                                    one.line())),
                    why);
        }
    }

    static RoleOnPages of(SiteRoles.Result result) {
        AskedRole role = result.role();
        return new RoleOnPages(
                role.role(),
                TextRole.of(role.role()).label(),
                role.selector(),
                result.texts(),
                result.pages(),
                result.verdict(),
                new AskedFace(role.family(), role.weight(), role.slope().key()),
                result.shown().stream().map(RoleOnPages::shown).toList());
    }

    private static ShownFace shown(RoleShown shown) {
        return new ShownFace(
                shown.family(),
                shown.weight(),
                shown.slope().key(),
                shown.faked(),
                shown.texts(),
                shown.page(),
                Texts.cut(shown.text(), CheckedText.LONGEST),
                shown.path(),
                shown.asAsked(),
                shown.onPhoneOnly(),
                shown.measures().stream().map(OtherMeasureView::of).toList(),
                shown.winner().map(WinningRule::of).orElse(null),
                shown.why(),
                shown.override().orElse(null),
                shown.overrideAnywhere().orElse(null));
    }

    /** The role as the comparison looks at it, where not all of its texts are as asked. */
    Optional<OtherRole> otherwise() {
        return verdict == Verdict.OTHER
                ? Optional.of(new OtherRole(
                        role,
                        label,
                        asked.family(),
                        asked.weight(),
                        Slope.valueOf(asked.slope().toUpperCase(Locale.ROOT)),
                        shown.stream()
                                .filter(one -> !one.asAsked())
                                .map(ShownFace::instead)
                                .toList()))
                : Optional.empty();
    }

    /** The roles that a site asks for, as far as a family is held for them. */
    static List<AskedRole> asked(Site site) {
        return site.roles().stream()
                .flatMap(role ->
                        asked(role, site, Optional.ofNullable(site.familyNames().get(role.familyId()))).stream())
                .toList();
    }

    private static Optional<AskedRole> asked(SiteRole role, Site site, Optional<String> family) {
        Optional<SlotView> face = role.faces().stream().findFirst();
        return face.isEmpty() || family.isEmpty()
                ? Optional.empty()
                : Optional.of(AskedRole.orNothing(
                                role.role(),
                                selector(role, site),
                                family.get(),
                                Math.max(
                                        face.get().weight(), Math.min(face.get().weightMax(), 400)),
                                face.get().toSlot().slope())
                        .with(role.text()));
    }

    /** The selector that a pack's rule for it has. */
    private static String selector(SiteRole role, Site site) {
        String elements = role.textRole()
                .selectorOn(
                        role.selector(),
                        site.roles().stream().map(SiteRole::textRole).toList());
        String own = ".type-" + role.textRole().key();
        return elements.isEmpty() ? own : elements + ", " + own;
    }
}
