package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * One use to decide on: what is done with a file of a face, where, for whom and on which day.
 *
 * @param format the format that visitors get; an unknown one is not asked about
 * @param place where it is used; an unknown place is not stated unless any domain is permitted
 * @param clientId the client whose site it is; an unknown client is not stated where a client holds the license
 */
public record FaceUse(
        String familyId,
        Slot slot,
        Set<Act> acts,
        Optional<FontFormat> format,
        Optional<Place> place,
        Optional<String> clientId,
        LocalDate day) {
    /** A host; {@code staging} when its site names it as one for staging, which visitors do not see. */
    public record Place(DomainName host, boolean staging) {
        public static Place live(DomainName host) {
            return new Place(host, false);
        }
    }

    public FaceUse {
        acts = Set.copyOf(acts);
    }

    /** Serving a face in a format on a host of a client; {@code converted} when we made the file from another. */
    public static FaceUse serving(
            String familyId,
            Slot slot,
            FontFormat format,
            boolean converted,
            Place place,
            String clientId,
            LocalDate day) {
        Set<Act> acts = converted ? EnumSet.of(Act.SERVE, Act.CONVERT) : EnumSet.of(Act.SERVE);
        return new FaceUse(familyId, slot, acts, Optional.of(format), Optional.of(place), Optional.of(clientId), day);
    }

    /** Serving WOFF 2 of any face: what one license says of it does not depend on which face it is. */
    public static FaceUse servingAnyFace(Optional<Place> place, Optional<String> clientId, LocalDate day) {
        return new FaceUse(
                "",
                Slot.of(400, 100, Slope.UPRIGHT),
                EnumSet.of(Act.SERVE),
                Optional.of(FontFormat.WOFF2),
                place,
                clientId,
                day);
    }
}
