package app.unciala.core.pack;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.face.Slot;
import java.time.LocalDate;
import java.util.List;

/** What a pack is made from: a site, the day, its text roles and the WOFF2 bytes of every face they use. */
public record PackRequest(String siteName, List<String> domains, LocalDate day, List<Role> roles, List<Face> faces) {
    /** A text role set in a family; {@code slot} is the face of the family that plain text of this role uses. */
    public record Role(TextRole role, String family, Slot slot, GenericFamily generic) {}

    /** One face to deliver, with what the licenses say of it in one line. */
    public record Face(String family, Slot slot, byte[] woff2, String license) {}
}
