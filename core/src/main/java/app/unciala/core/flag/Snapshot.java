package app.unciala.core.flag;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.face.Embedding;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import app.unciala.core.license.License;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/** All that is asked, held and allowed on one day: everything the comparison looks at. */
public record Snapshot(LocalDate today, List<Family> families, List<License> licenses, List<Site> sites) {
    public Snapshot {
        families = List.copyOf(families);
        licenses = List.copyOf(licenses);
        sites = List.copyOf(sites);
    }

    /** A family in the inventory with its files. */
    public record Family(String id, String name, List<HeldFile> files) {}

    /** A file in the inventory; {@code madeHere} when the product converted it from another. */
    public record HeldFile(
            String id,
            String name,
            String sha256,
            FontFormat format,
            Slot slot,
            String drawing,
            Embedding.Level embedding,
            boolean madeHere) {}

    /** A site with its domains and the faces its text roles ask for. */
    public record Site(String id, String name, List<DomainName> domains, List<Ask> asks) {}

    /** One face that a text role asks for. */
    public record Ask(TextRole role, String familyId, Slot slot) {}

    public Optional<Family> family(String id) {
        return families.stream().filter(family -> family.id().equals(id)).findFirst();
    }
}
