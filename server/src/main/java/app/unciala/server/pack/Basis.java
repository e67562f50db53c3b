package app.unciala.server.pack;

import app.unciala.core.license.Verdict;
import app.unciala.core.pack.PackBasis;
import app.unciala.core.pack.PackBasis.AskedFace;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.site.SiteDelivery;
import app.unciala.server.site.SiteRole;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a pack is made from, as it is recorded: the site's domains, what is asked, held and allowed on them, its roles,
 * how it is delivered, and the names of its own that families have in its CSS. Roles and delivery are not known of packs
 * of earlier versions.
 */
record Basis(
        List<String> domains,
        List<AskedRow> asked,
        Optional<List<SiteRole>> roles,
        Optional<SiteDelivery> delivery,
        Map<String, String> familyNames) {
    /** The same, as packs are compared by it. */
    PackBasis compared() {
        return new PackBasis(
                domains,
                asked.stream().map(Basis::face).toList(),
                roles.map(known -> SiteRole.settings(known, familyNames)),
                delivery.map(SiteDelivery::toString));
    }

    private static AskedFace face(AskedRow row) {
        return new AskedFace(
                row.roleName(),
                row.familyId(),
                row.familyName(),
                row.slot().toSlot(),
                isAllowed(row) ? Verdict.ALLOWED : row.domains().isEmpty() ? Verdict.NOT_STATED : row.verdict(),
                isAllowed(row) ? "" : whyNot(row),
                best(row).map(AskedRow.HeldView::sha256));
    }

    /** Whether a face may go out on all domains of its site, of which there is one at least. */
    static boolean isAllowed(AskedRow row) {
        return row.verdict() == Verdict.ALLOWED && !row.domains().isEmpty();
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
                .min(PackBasis.takenFirst(
                        AskedRow.HeldView::format, AskedRow.HeldView::madeHere, AskedRow.HeldView::fileId));
    }
}
