package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.sentence.Sentences;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Decides whether any of the licenses allows a use; a license is as good as its worst point, and the best license decides. */
public final class LicenseDecider {
    private static final Comparator<DomainPattern> BY_TEXT = Comparator.comparing(DomainPattern::toString);

    private LicenseDecider() {}

    public static Decision decide(List<License> licenses, FaceUse use) {
        return licenses.stream()
                .filter(license -> license.isFor(use.familyId(), use.slot()))
                .map(license -> decide(license, use))
                .min(Comparator.comparing(Decision::verdict)
                        .thenComparing(decision -> decision.against().size())
                        .thenComparing(decision -> decision.licenseId().orElse("")))
                .orElseGet(() -> new Decision(
                        Verdict.REFUSED,
                        Optional.empty(),
                        List.of(new Reason(Point.COVERAGE, Verdict.REFUSED, "no license covers this face"))));
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
                    Reason reason = clause(Point.CONVERTING, license.clause(Act.CONVERT));
                    return new Reason(reason.point(), reason.verdict(), license.name() + ": " + reason.text());
                })
                .min(Comparator.comparing(Reason::verdict).thenComparing(Reason::text))
                .orElseGet(() -> new Reason(Point.CONVERTING, Verdict.NOT_STATED, "no license covers this face"));
    }

    private static Decision decide(License license, FaceUse use) {
        List<Reason> reasons = new ArrayList<>();
        reasons.add(new Reason(Point.COVERAGE, Verdict.ALLOWED, "covered by " + license.name()));
        license.begins()
                .ifPresent(day -> reasons.add(
                        license.notBegunOn(use.day())
                                ? new Reason(Point.BEGINS, Verdict.REFUSED, "begins only on " + Sentences.day(day))
                                : new Reason(Point.BEGINS, Verdict.ALLOWED, "began on " + Sentences.day(day))));
        license.ends()
                .ifPresent(day -> reasons.add(
                        license.endedBy(use.day())
                                ? new Reason(Point.ENDS, Verdict.REFUSED, "ended on " + Sentences.day(day))
                                : new Reason(Point.ENDS, Verdict.ALLOWED, "runs until " + Sentences.day(day))));
        use.acts().stream().sorted().forEach(act -> reasons.add(clause(act.point(), license.clause(act))));
        if (use.acts().stream().anyMatch(Act::publishes)) {
            reasons.add(use.domain().map(host -> domain(license, host)).orElseGet(() -> anywhere(license)));
            use.format().ifPresent(format -> reasons.add(format(license, format)));
        }
        Verdict verdict = reasons.stream().map(Reason::verdict).reduce(Verdict.ALLOWED, Verdict::and);
        return new Decision(verdict, Optional.of(license.id()), reasons);
    }

    private static Reason clause(Point point, Clause clause) {
        return clause(point, clause, point.question(Optional.empty()));
    }

    private static Reason clause(Point point, Clause clause, String what) {
        String text =
                switch (clause) {
                    case GRANTED -> what + " is granted";
                    case REFUSED -> what + " is refused";
                    case NOT_STATED -> what + " is not stated; ask the vendor";
                };
        return new Reason(point, clause.verdict(), text);
    }

    private static Reason anywhere(License license) {
        return license.anyDomain()
                ? new Reason(Point.DOMAIN, Verdict.ALLOWED, "any domain is permitted")
                : new Reason(Point.DOMAIN, Verdict.NOT_STATED, "it depends on the domain, and none was asked about");
    }

    private static Reason format(License license, FontFormat format) {
        String words = format.label();
        if (license.anyFormat()) {
            return new Reason(Point.FORMAT, Verdict.ALLOWED, "any format is permitted");
        }
        if (license.formats().isEmpty()) {
            return new Reason(Point.FORMAT, Verdict.NOT_STATED, "permitted formats are not stated; ask the vendor");
        }
        return license.formats().contains(format)
                ? new Reason(Point.FORMAT, Verdict.ALLOWED, words + " is permitted")
                : new Reason(Point.FORMAT, Verdict.REFUSED, words + " is not among the permitted formats");
    }

    private static Reason domain(License license, DomainName host) {
        if (license.anyDomain()) {
            return new Reason(Point.DOMAIN, Verdict.ALLOWED, "any domain is permitted");
        }
        Optional<DomainPattern> direct =
                license.domains().stream().filter(p -> p.matches(host)).min(BY_TEXT);
        if (direct.isPresent()) {
            return new Reason(Point.DOMAIN, Verdict.ALLOWED, host.display() + " is permitted by " + direct.get());
        }
        if (host.isLocal()) {
            return clause(Point.DOMAIN, license.development(), "use on local and staging hosts");
        }
        if (license.domains().isEmpty()) {
            return new Reason(Point.DOMAIN, Verdict.NOT_STATED, "permitted domains are not stated; ask the vendor");
        }
        Optional<DomainPattern> above = license.domains().stream()
                .filter(pattern -> pattern.isAbove(host))
                .min(BY_TEXT);
        if (above.isPresent()) {
            return clause(Point.DOMAIN, license.subdomains(), "use on subdomains of " + above.get());
        }
        return new Reason(
                Point.DOMAIN,
                Verdict.REFUSED,
                host.display() + " is not among its domains"
                        + NearMiss.of(host, license.domains())
                                .map(near -> "; it names " + near + ", which differs by a letter or two")
                                .orElse(""));
    }
}
