package app.unciala.server.ledger;

import app.unciala.core.license.License.Said;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.Covered;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.listing.ImportReport.FileProblem;
import java.util.List;
import java.util.stream.Stream;

/**
 * A license as it stands in a file: its terms, with families and the client who holds it by their names instead of
 * ids, which mean nothing elsewhere.
 *
 * @param terms without what they cover and who holds it
 * @param holder the name of the client who holds it; the agency when empty
 * @param acts what holds of each act, and by what; empty for a license that comes from a file
 */
record LedgerEntry(LicenseDraft terms, String holder, List<NamedFaces> covers, List<Said> acts) {
    /** A family by its name, and the faces named of it; none stands for the whole family. */
    record NamedFaces(String family, List<SlotView> faces) {}

    /** Something that is wrong, in a field that may be empty. */
    record Wrong(String field, String message) {}

    /** A license that was read from a file, with the place where it stands in it and what is wrong in it. */
    record ReadEntry(String place, LedgerEntry entry, List<Wrong> wrong) {
        Stream<FileProblem> problems() {
            return wrong.stream().map(one -> new FileProblem(place, one.field(), one.message()));
        }
    }

    static LedgerEntry of(Recorded license) {
        return new LedgerEntry(
                license.terms(),
                license.holderName(),
                license.terms().covers().stream()
                        .map(covered -> new NamedFaces(nameOf(license, covered), covered.faces()))
                        .toList(),
                license.acts());
    }

    private static String nameOf(Recorded license, Covered covered) {
        return license.familyNames().getOrDefault(covered.familyId(), covered.familyId());
    }
}
