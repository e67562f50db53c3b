package app.unciala.server.pack;

import app.unciala.core.license.Clearance.Answer;
import app.unciala.core.license.SourceFile;
import app.unciala.core.license.Verdict;
import app.unciala.core.pack.PackBasis;
import app.unciala.core.pack.PackBasis.AskedFace;
import app.unciala.font.FontFormat;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.flag.AskedRow.GoesOut;
import app.unciala.server.flag.AskedRow.GoesOut.FormatAnswer;
import app.unciala.server.flag.AskedRow.HeldView;
import app.unciala.server.site.SiteDelivery;
import app.unciala.server.site.SiteRole;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

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
                delivery.map(SiteDelivery::described));
    }

    private static AskedFace face(AskedRow row) {
        GoesOut goesOut = row.goesOut();
        return new AskedFace(
                row.roleName(),
                row.familyId(),
                row.familyName(),
                row.slot().toSlot(),
                isAllowed(row) ? Verdict.ALLOWED : row.domains().isEmpty() ? Verdict.NOT_STATED : row.verdict(),
                isAllowed(row) ? "" : whyNot(row),
                taken(row).map(HeldView::sha256),
                Optional.ofNullable(goesOut).map(known -> known.slot().toSlot()),
                goesOut == null ? Map.of() : permissions(goesOut));
    }

    private static Map<String, Answer> permissions(GoesOut goesOut) {
        return AskedFace.permissions(
                goesOut.subsetWanted() ? Optional.of(goesOut.subsetting()) : Optional.empty(),
                goesOut.formats().stream().collect(Collectors.toMap(FormatAnswer::format, FormatAnswer::answer)));
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

    /** The file that a pack takes first, if any is held. */
    static Optional<HeldView> taken(AskedRow row) {
        GoesOut goesOut = row.goesOut();
        if (goesOut == null) {
            // A pack of an earlier version, which took the same file for WOFF 2.
            return row.held().stream()
                    .min(Comparator.comparing(Basis::source, SourceFile.takenFirst(FontFormat.WOFF2)));
        }
        return goesOut.formats().stream()
                .filter(answer -> answer.format() == goesOut.format())
                .findFirst()
                .flatMap(answer -> row.held().stream()
                        .filter(file -> file.sha256().equals(answer.sha256()))
                        .findFirst());
    }

    private static SourceFile source(HeldView file) {
        return new SourceFile(
                file.fileId(),
                file.sha256(),
                FontFormat.fromKey(file.format()).orElseThrow(),
                file.slot().toSlot(),
                file.madeHere());
    }
}
