package app.unciala.server.pack;

import app.unciala.core.font.FontFormat;
import app.unciala.core.license.Verdict;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.site.SiteDelivery;
import app.unciala.server.site.SiteRole;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * What a pack is made from: the site's domains, what is asked, held and allowed on them, its roles, and how it is
 * delivered; the last two are not known of packs of earlier versions.
 */
record Basis(
        List<String> domains, List<AskedRow> asked, Optional<List<SiteRole>> roles, Optional<SiteDelivery> delivery) {
    /** What changed since a pack was made from this, in sentences; none when the same pack would be made again. */
    List<String> changedTo(Basis now) {
        List<String> changes = new ArrayList<>();
        if (!domains.equals(now.domains)) {
            changes.add("The site’s domains are " + String.join(", ", now.domains) + " by now.");
        }
        if (delivery.isPresent() && !delivery.equals(now.delivery)) {
            changes.add("How the site’s fonts are delivered is described otherwise by now.");
        }
        if (roles.isPresent() && !settings(roles.get()).equals(settings(now.roles.orElse(List.of())))) {
            changes.add("The settings of its text roles are others by now.");
        }
        Map<String, AskedRow> before = byFace(asked);
        Map<String, AskedRow> after = byFace(now.asked);
        after.forEach((key, row) -> Optional.ofNullable(before.get(key))
                .ifPresentOrElse(
                        old -> difference(old, row).ifPresent(changes::add),
                        () -> changes.add(row.role().label() + " asks for " + name(row) + " by now.")));
        before.forEach((key, row) -> {
            if (!after.containsKey(key)) {
                changes.add(row.role().label() + " no longer asks for " + name(row) + ".");
            }
        });
        return changes.stream().distinct().toList();
    }

    /** The roles without their faces, which are told one by one. */
    private static List<SiteRole> settings(List<SiteRole> roles) {
        return roles.stream()
                .map(role -> new SiteRole(
                        role.role(),
                        "",
                        role.generic(),
                        List.of(),
                        role.selector(),
                        role.size(),
                        role.lineHeight(),
                        role.letterSpacing()))
                .toList();
    }

    private static Optional<String> difference(AskedRow before, AskedRow after) {
        if (before.verdict() != after.verdict()) {
            return Optional.of(
                    after.verdict() == Verdict.ALLOWED
                            ? name(after) + " is allowed by now."
                            : name(after) + " is no longer allowed: " + whyNot(after) + ".");
        }
        if (before.held().isEmpty() != after.held().isEmpty()) {
            return Optional.of(name(after) + (after.held().isEmpty() ? " is not held any more." : " is held by now."));
        }
        String fileBefore = best(before).map(AskedRow.HeldView::sha256).orElse("");
        String fileAfter = best(after).map(AskedRow.HeldView::sha256).orElse("");
        return fileBefore.equals(fileAfter)
                ? Optional.empty()
                : Optional.of("Another file is held for " + name(after) + " by now.");
    }

    /** The first reason that stands against a row. */
    static String whyNot(AskedRow row) {
        return row.domains().stream()
                .filter(domain -> domain.verdict() != Verdict.ALLOWED)
                .flatMap(domain -> domain.reasons().stream())
                .findFirst()
                .orElse("the site has no domain to decide on");
    }

    static String name(AskedRow row) {
        return row.familyName() + " " + row.slot().label();
    }

    /** The file that a pack takes. */
    static Optional<AskedRow.HeldView> best(AskedRow row) {
        return row.held().stream()
                .min(takenFirst(AskedRow.HeldView::format, AskedRow.HeldView::madeHere, AskedRow.HeldView::fileId));
    }

    /** The vendor's own WOFF 2 first, then one made here, then any to make it from. */
    static <T> Comparator<T> takenFirst(
            Function<T, String> format, Function<T, Boolean> madeHere, Function<T, String> id) {
        return Comparator.comparing((T file) -> !format.apply(file).equals(FontFormat.WOFF2.key()))
                .thenComparing(madeHere)
                .thenComparing(id);
    }

    private static Map<String, AskedRow> byFace(List<AskedRow> rows) {
        Map<String, AskedRow> map = new LinkedHashMap<>();
        rows.forEach(row ->
                map.put(row.role() + " " + row.familyId() + " " + row.slot().key(), row));
        return map;
    }
}
