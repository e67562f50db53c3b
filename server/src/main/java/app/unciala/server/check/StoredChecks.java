package app.unciala.server.check;

import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.LatestCheck;
import app.unciala.core.flag.LatestCheck.Shown;
import app.unciala.core.flag.LatestCheck.Trouble;
import app.unciala.core.page.Addresses;
import app.unciala.core.page.PageFinding;
import app.unciala.font.FontFormat;
import app.unciala.server.check.CheckReport.FoundFont;
import app.unciala.server.check.CheckReport.PageLine;
import app.unciala.server.check.ShownFonts.HeldAs;
import app.unciala.server.flag.LatestChecks;
import app.unciala.server.inventory.Parts;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** The checks of sites as the comparison looks at them. */
@Component
class StoredChecks implements LatestChecks {
    private final SiteCheckRepository checks;
    private final ShownFonts fonts;
    private final Clock clock;

    StoredChecks(SiteCheckRepository checks, ShownFonts fonts, Clock clock) {
        this.checks = checks;
        this.fonts = fonts;
        this.clock = clock;
    }

    @Override
    public Map<String, LatestCheck> of(Set<String> siteIds) {
        Map<String, CheckReport> reports = new TreeMap<>();
        Map<String, Instant> days = new TreeMap<>();
        Parts.of(siteIds, ids -> checks.latestOf(ids)
                .forEach(check -> check.report().ifPresent(report -> {
                    reports.put(check.siteId(), report);
                    days.put(check.siteId(), check.askedAt());
                })));
        List<FoundFont> all = new ArrayList<>();
        reports.values().forEach(report -> all.addAll(report.fonts()));
        Map<String, HeldAs> held = all.isEmpty() ? Map.of() : fonts.held(all);
        Map<String, LatestCheck> latest = new TreeMap<>();
        reports.forEach((siteId, report) ->
                latest.put(siteId, latest(LocalDate.ofInstant(days.get(siteId), clock.getZone()), report, held)));
        return latest;
    }

    private static LatestCheck latest(LocalDate day, CheckReport report, Map<String, HeldAs> held) {
        return new LatestCheck(
                day,
                (int) report.pages().stream().filter(PageLine::isRead).count(),
                report.notes().stream()
                        .map(note -> new Trouble(kind(note.kind()), note.page(), note.message()))
                        .toList(),
                report.thirdParties(),
                report.fonts().stream()
                        .flatMap(font -> shown(font, Optional.ofNullable(held.get(font.sha256()))))
                        .toList(),
                report.roles().stream()
                        .flatMap(role -> role.otherwise().stream())
                        .toList(),
                Optional.ofNullable(report.pack()).stream()
                        .flatMap(pack -> pack.files().stream())
                        .flatMap(file -> file.wrong().stream())
                        .toList());
    }

    private static PageFinding.Kind kind(String key) {
        return PageFinding.Kind.valueOf(key.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    /** A font once for each host on whose pages it was found. */
    static Stream<Shown> shown(FoundFont font, Optional<HeldAs> held) {
        return font.hosts().stream()
                .map(host -> new Shown(
                        font.name(),
                        font.drawing(),
                        held.map(HeldAs::familyId),
                        font.slot().toSlot(),
                        FontFormat.fromKey(font.format()).orElse(FontFormat.WOFF2),
                        font.urls().get(0),
                        font.pages().stream()
                                .filter(page -> Addresses.host(page).equals(host))
                                .findFirst()
                                .orElse(font.pages().get(0)),
                        DomainName.parse(host),
                        font.fromOthers()));
    }
}
