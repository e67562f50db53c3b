package app.unciala.core.license;

import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What licenses are asked besides what a site delivers of the faces that it asks for, which is {@link Clearance}. */
public final class LicenseQuestions {
    private LicenseQuestions() {}

    /** Whether any of the licenses allows a use that a person or a program asks about. */
    public static Decision asked(List<License> licenses, FaceUse use) {
        return LicenseDecider.decide(licenses, use);
    }

    /** Whether a font may be shown on a host where it was found; {@code fromOthers} if it comes from a third party. */
    public static Decision shown(
            List<License> licenses,
            String familyId,
            Slot slot,
            FontFormat format,
            boolean fromOthers,
            Place place,
            String clientId,
            LocalDate day) {
        Set<Act> acts = fromOthers ? EnumSet.of(Act.SERVE, Act.THIRD_PARTY) : EnumSet.of(Act.SERVE);
        return LicenseDecider.decide(
                licenses,
                new FaceUse(familyId, slot, acts, Optional.of(format), Optional.of(place), Optional.of(clientId), day));
    }

    /** What one license says of serving WOFF 2 of the faces that it covers in one place. */
    public static Decision served(License license, Place place, String clientId, LocalDate day) {
        return LicenseDecider.decide(license, FaceUse.servingAnyFace(Optional.of(place), Optional.of(clientId), day));
    }

    /**
     * Whether a file of a face may be converted to another format on a day, by the best of the licenses that cover it
     * then; not stated when none does.
     */
    public static Reason converting(List<License> licenses, String familyId, Slot slot, LocalDate day) {
        return licenses.stream()
                .filter(license -> license.isFor(familyId, slot))
                .filter(license -> !license.endedBy(day) && !license.notBegunOn(day))
                .map(license -> {
                    Reason reason = LicenseDecider.act(license, Act.CONVERT);
                    return new Reason(reason.point(), reason.verdict(), license.name() + ": " + reason.text());
                })
                .min(Comparator.comparing(Reason::verdict).thenComparing(Reason::text))
                .orElseGet(() -> new Reason(Point.CONVERTING, Verdict.NOT_STATED, "no license covers this face"));
    }

    /**
     * What a license says of a place alone: whose site it is, and on which host. With what it says of the same use on
     * any domain ({@link #anywhere}), this is its whole verdict.
     */
    public static Verdict there(License license, Place place, String clientId) {
        if (license.holder()
                .filter(holder -> !holder.clientId().equals(clientId))
                .isPresent()) {
            return Verdict.REFUSED;
        }
        return license.where().verdict(place.host(), place.staging());
    }

    /** What a license says of a use, but for whose site it is and on which host. */
    public static Verdict anywhere(License license, FaceUse use) {
        return LicenseDecider.decide(
                        LicenseBuilder.builder(license)
                                .holder(Optional.empty())
                                .domains(PermittedDomains.anywhere())
                                .build(),
                        use)
                .verdict();
    }
}
