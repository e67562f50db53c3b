package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * One use to decide on: what is done with a file of a face, and on which day. {@code format} is the one that visitors get,
 * {@code domain} where; an unknown format is not asked about, an unknown domain is not stated unless any is permitted.
 */
public record FaceUse(
        String familyId,
        Slot slot,
        Set<Act> acts,
        Optional<FontFormat> format,
        Optional<DomainName> domain,
        LocalDate day) {
    public FaceUse {
        acts = Set.copyOf(acts);
    }

    /** Serving a face in a format on a domain; {@code converted} when we made the file from another. */
    public static FaceUse serving(
            String familyId, Slot slot, FontFormat format, boolean converted, DomainName domain, LocalDate day) {
        Set<Act> acts = converted ? EnumSet.of(Act.SERVE, Act.CONVERT) : EnumSet.of(Act.SERVE);
        return new FaceUse(familyId, slot, acts, Optional.of(format), Optional.of(domain), day);
    }
}
