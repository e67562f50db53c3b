package app.unciala.core.flag;

import app.unciala.core.check.ThirdParties.ThirdParty;
import app.unciala.core.domain.DomainName;
import app.unciala.core.license.Decision;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.LicenseQuestions;
import app.unciala.core.page.PageFinding;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * The latest check of a site's pages.
 *
 * @param pages how many were read
 * @param troubles what is wrong on each of them
 * @param shown the fonts that paint their texts
 * @param roles the text roles whose texts are not all shown as the site asks
 * @param wrongFiles what is at addresses where a pack put other files, each in a sentence
 */
public record LatestCheck(
        LocalDate on,
        int pages,
        List<Trouble> troubles,
        List<ThirdParty> thirdParties,
        List<Shown> shown,
        List<OtherRole> roles,
        List<String> wrongFiles) {
    public LatestCheck {
        troubles = List.copyOf(troubles);
        thirdParties = List.copyOf(thirdParties);
        shown = List.copyOf(shown);
        roles = List.copyOf(roles);
        wrongFiles = List.copyOf(wrongFiles);
    }

    /**
     * A text role that pages show in something else than the site asks for.
     *
     * @param role its id, or the name of one of the site's own
     * @param family that it asks for, by its name in CSS
     * @param others what its texts are shown in instead, in the order of the pages; at least one
     */
    public record OtherRole(
            String role, String label, String family, double weight, Slope slope, List<ShownInstead> others) {
        public OtherRole {
            others = List.copyOf(others);
        }
    }

    /**
     * Texts of a role on one page that are not as asked.
     *
     * @param measures what is not as the role says besides the face, such as {@code font-size 18px instead of 1rem (16px)}
     * @param decider the declaration that decides so; nothing where none speaks of it
     * @param why what no CSS can change; empty where there is CSS that overrides it
     */
    public record ShownInstead(
            String page,
            int texts,
            String family,
            double weight,
            List<String> faked,
            List<String> measures,
            Optional<Decider> decider,
            String why) {}

    /**
     * A declaration that decides.
     *
     * @param sheet the address that it stands at; nothing for the style sheet that browsers bring
     */
    public record Decider(String property, String value, String selector, Optional<String> sheet, int line) {}

    /** What is wrong on a page. */
    public record Trouble(PageFinding.Kind kind, String page, String message) {}

    /**
     * A font that paints text of a page.
     *
     * @param name what it calls itself
     * @param digest of its drawing
     * @param familyId the family that it is a face of, if that is held
     * @param host of the page
     * @param fromOthers whether it comes from a host of others
     */
    public record Shown(
            String name,
            String digest,
            Optional<String> familyId,
            Slot slot,
            FontFormat format,
            String url,
            String page,
            DomainName host,
            boolean fromOthers) {
        /** What is decided on showing it where it was found, if it is held. */
        public Optional<Decision> decision(Snapshot snapshot, Snapshot.Site site) {
            Place place = site.places().stream()
                    .filter(known -> known.host().equals(host))
                    .findFirst()
                    .orElse(Place.live(host));
            return familyId.map(family -> LicenseQuestions.shown(
                    snapshot.licensesCovering(family),
                    family,
                    slot,
                    format,
                    fromOthers,
                    place,
                    site.clientId(),
                    snapshot.today()));
        }
    }
}
