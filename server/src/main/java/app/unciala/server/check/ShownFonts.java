package app.unciala.server.check;

import app.unciala.core.flag.Owner;
import app.unciala.server.check.CheckReport.FoundFont;
import app.unciala.server.family.HeldFamilies;
import app.unciala.server.family.HeldFamilies.HeldFace;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Parts;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Predicate;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What is held of the fonts that pages show: looked up anew each time, since what is held changes. */
@Component
class ShownFonts {
    private final HeldFamilies families;
    private final SiteCheckRepository checks;
    private final JdbcClient database;

    ShownFonts(HeldFamilies families, SiteCheckRepository checks, JdbcClient database) {
        this.families = families;
        this.checks = checks;
        this.database = database;
    }

    /** How a font on a page is held. */
    public enum Held {
        SAME_BYTES,
        SAME_DRAWING,
        /** A part of the characters of what is held. */
        CUT,
        /** Drawn nearly as what is held, such as another version of it. */
        ALIKE,
        /** A file that another took the place of in the inventory. */
        SUPERSEDED
    }

    /** The held file that a font on a page is, or was made from. */
    public record HeldAs(Held how, String familyId, String familyName, String fileName) {}

    /** What each of the fonts is held as, by digest of its bytes; those that are not held are left out. */
    Map<String, HeldAs> held(Collection<FoundFont> fonts) {
        List<HeldFace> faces = families.faces(
                fonts.stream()
                        .flatMap(font -> Optional.ofNullable(font.nearFileId()).stream())
                        .toList(),
                fonts.stream().map(FoundFont::sha256).toList(),
                fonts.stream().map(FoundFont::drawing).toList());
        Map<String, HeldAs> held = new LinkedHashMap<>();
        for (FoundFont font : fonts) {
            held(font, faces).ifPresent(as -> held.put(font.sha256(), as));
        }
        return held;
    }

    private static Optional<HeldAs> held(FoundFont font, List<HeldFace> faces) {
        List<HeldFace> current =
                faces.stream().filter(face -> !face.superseded()).toList();
        return first(current, face -> face.sha256().equals(font.sha256()), face -> Held.SAME_BYTES)
                .or(() -> first(current, face -> face.drawing().equals(font.drawing()), face -> Held.SAME_DRAWING))
                .or(() -> first(
                        faces,
                        face -> face.superseded()
                                && (face.sha256().equals(font.sha256())
                                        || face.drawing().equals(font.drawing())),
                        face -> Held.SUPERSEDED))
                .or(() -> first(
                        current,
                        face -> face.fileId().equals(font.nearFileId()),
                        face -> font.codePoints() < face.codePoints() ? Held.CUT : Held.ALIKE));
    }

    private static Optional<HeldAs> first(List<HeldFace> faces, Predicate<HeldFace> is, Function<HeldFace, Held> how) {
        return faces.stream()
                .filter(is)
                .findFirst()
                .map(face -> new HeldAs(how.apply(face), face.familyId(), face.familyName(), face.fileName()));
    }

    /** Keeps which families the fonts on pages are faces of, where files changed: one may belong to another by now. */
    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void filesChanged(Changes.Touched touched) {
        if (touched.scope().ids(Owner.Type.DRAWING).isEmpty()) {
            return;
        }
        Parts.of(touched.scope().ids(Owner.Type.SITE), sites -> checks.latestOf(Set.copyOf(sites))
                .forEach(check -> check.report().ifPresent(report -> replace(check.siteId(), report.fonts()))));
    }

    /** The sites whose latest check found a font of a family, as it was held then or is drawn now. */
    Set<String> sitesShowing(String familyId) {
        return new TreeSet<>(database.sql("select site_id from shown_font where family_id = :family or drawing in"
                        + " (select drawing from face_file where family_id = :family)")
                .param("family", familyId)
                .query(String.class)
                .list());
    }

    /** Keeps the fonts of a site's latest check to be looked up by; gives the families of these and of those before. */
    Set<String> replace(String siteId, List<FoundFont> fonts) {
        Map<String, HeldAs> held = held(fonts);
        Set<String> touched = new TreeSet<>(
                database.sql("select family_id from shown_font where site_id = :site and family_id is not null")
                        .param("site", siteId)
                        .query(String.class)
                        .list());
        database.sql("delete from shown_font where site_id = :site")
                .param("site", siteId)
                .update();
        for (FoundFont font : fonts) {
            String familyId =
                    held.containsKey(font.sha256()) ? held.get(font.sha256()).familyId() : null;
            if (familyId != null) {
                touched.add(familyId);
            }
            database.sql("insert into shown_font (site_id, sha256, drawing, family_id)"
                            + " values (:site, :sha256, :drawing, :family)")
                    .param("site", siteId)
                    .param("sha256", font.sha256())
                    .param("drawing", font.drawing())
                    .param("family", familyId)
                    .update();
        }
        return touched;
    }
}
