package app.unciala.server.check;

import app.unciala.core.page.Addresses;
import app.unciala.server.check.CheckReport.FoundFont;
import app.unciala.server.check.CheckReport.PageLine;
import app.unciala.server.check.ShownFonts.Held;
import app.unciala.server.check.ShownFonts.HeldAs;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where the faces of a family were found on pages, by the latest check of each site. */
@Service
public class FamilyOnPages {
    private final SiteCheckRepository checks;
    private final ShownFonts fonts;
    private final SiteService sites;

    FamilyOnPages(SiteCheckRepository checks, ShownFonts fonts, SiteService sites) {
        this.checks = checks;
        this.fonts = fonts;
        this.sites = sites;
    }

    /** A site on whose pages a family was found when it was last checked. */
    public record OnSite(String siteId, String siteName, String checkId, Instant checkedAt, List<OnPages> faces) {}

    /**
     * A font on pages.
     *
     * @param name its family and face as it says itself
     * @param fromOthers whether it comes from a host of others
     */
    public record OnPages(String name, Held how, String host, boolean fromOthers, List<AtPage> pages) {}

    /** A page of a check; the position is that in the check. */
    public record AtPage(String url, int position) {}

    @Transactional(readOnly = true)
    public List<OnSite> of(String familyId) {
        Map<String, SiteCheckEntity> latest = checks.latestOf(fonts.sitesShowing(familyId)).stream()
                .collect(Collectors.toMap(SiteCheckEntity::siteId, check -> check));
        return sites.withIds(latest.keySet()).stream()
                .flatMap(site -> Stream.ofNullable(latest.get(site.id()))
                        .flatMap(check -> onSite(familyId, site, check).stream()))
                .toList();
    }

    private Optional<OnSite> onSite(String familyId, Site site, SiteCheckEntity check) {
        List<FoundFont> found = check.report().map(CheckReport::fonts).orElse(List.of());
        List<PageLine> pages = check.report().map(CheckReport::pages).orElse(List.of());
        Map<String, HeldAs> held = fonts.held(found);
        List<OnPages> faces = found.stream()
                .flatMap(font -> Stream.ofNullable(held.get(font.sha256()))
                        .filter(as -> as.familyId().equals(familyId))
                        .map(as -> new OnPages(
                                font.name(),
                                as.how(),
                                Addresses.host(font.urls().get(0)),
                                font.fromOthers(),
                                pages.stream()
                                        .filter(page -> font.pages().contains(page.url()))
                                        .map(page -> new AtPage(page.url(), page.position()))
                                        .toList())))
                .toList();
        return faces.isEmpty()
                ? Optional.empty()
                : Optional.of(new OnSite(site.id(), site.name(), check.id(), check.askedAt(), faces));
    }
}
