package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import java.time.LocalDate;

/** One use to decide on: a face of a family, delivered in a format on a domain on a day, made by converting or not. */
public record FaceUse(
        String familyId, Slot slot, FontFormat format, boolean converted, DomainName domain, LocalDate day) {}
