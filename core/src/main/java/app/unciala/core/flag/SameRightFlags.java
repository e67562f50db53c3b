package app.unciala.core.flag;

import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.license.Act;
import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.core.license.License;
import app.unciala.core.sentence.Sentences;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;

/**
 * A family whose use on the same domain is granted by two licenses at once, so that one of them may be given up. Free
 * licenses beside each other cost nothing and are not flagged.
 */
final class SameRightFlags {
    private SameRightFlags() {}

    static Stream<Flag> of(Snapshot snapshot, Family family) {
        List<License> licenses = snapshot.licensesCovering(family.id()).stream()
                .filter(license -> holds(license, snapshot.today()))
                .toList();
        List<License> doubled = licenses.stream()
                .filter(license -> licenses.stream()
                        .anyMatch(other -> !other.id().equals(license.id()) && sameRight(license, other, family.id())))
                .toList();
        return doubled.isEmpty()
                ? Stream.empty()
                : Stream.of(Flag.of(
                        FlagKind.LICENSED_TWICE,
                        Owner.family(family.id()),
                        Subject.NOTHING.family(family.id()),
                        family.name() + " has two licenses for the same right",
                        Sentences.listed(doubled.stream()
                                        .map(License::name)
                                        .sorted()
                                        .toList()) + " grant the same use of the same faces on the same domains.",
                        doubled.stream().map(License::name)));
    }

    private static boolean holds(License license, LocalDate day) {
        return !license.period().isOverOn(day)
                && !license.notBegunOn(day)
                && license.clause(Act.SERVE) == Clause.GRANTED;
    }

    private static boolean sameRight(License a, License b, String familyId) {
        return (a.basis().isPaid() || b.basis().isPaid())
                && a.basis() != Basis.CLIENT_SUPPLIED
                && b.basis() != Basis.CLIENT_SUPPLIED
                && a.holder().equals(b.holder())
                && sameDomain(a, b)
                && sameFace(a, b, familyId);
    }

    private static boolean sameDomain(License a, License b) {
        return (a.where().any() && b.where().isStated())
                || (b.where().any() && a.where().isStated())
                || a.where().named().stream().anyMatch(b.where().named()::contains);
    }

    private static boolean sameFace(License a, License b, String familyId) {
        return a.coverages(familyId).anyMatch(one -> b.coverages(familyId)
                .anyMatch(other -> one.faces().isEmpty()
                        || other.faces().isEmpty()
                        || one.faces().stream().anyMatch(other.faces()::contains)));
    }
}
