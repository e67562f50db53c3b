package app.unciala.core.license;

import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.License.Said;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.FontFormat;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Decides whether any of the licenses allows a use. Of the answers to the points of one license the least favorable
 * holds; of several licenses the one with the most favorable answer decides. It is asked by {@link Clearance} and
 * {@link LicenseQuestions} only, so that each question is put together once.
 */
final class LicenseDecider {
    private LicenseDecider() {}

    /** The decision on one use of one face, by the best of the licenses that cover the face. */
    static Decision decide(List<License> licenses, FaceUse use) {
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

    /** What one license says of a use of a face that it covers. */
    static Decision decide(License license, FaceUse use) {
        List<Reason> reasons = new ArrayList<>();
        reasons.add(new Reason(Point.COVERAGE, Verdict.ALLOWED, "covered by " + license.name()));
        license.holder().ifPresent(holder -> reasons.add(holder(holder, use.clientId())));
        reasons.addAll(period(license.period(), use.day()));
        use.acts().stream().sorted().forEach(act -> reasons.add(act(license, act)));
        if (use.acts().stream().anyMatch(Act::publishes)) {
            reasons.addAll(domain(license, use.place()));
            license.pageViews().ifPresent(views -> reasons.add(pageViews(views, use.day())));
            use.format().ifPresent(format -> reasons.add(format(license, format)));
        }
        List<Reason> quoted =
                reasons.stream().map(reason -> quoted(license, reason)).toList();
        Verdict verdict = quoted.stream().map(Reason::verdict).reduce(Verdict.ALLOWED, Verdict::and);
        return new Decision(verdict, Optional.of(license.id()), quoted);
    }

    private static Reason quoted(License license, Reason reason) {
        return Optional.ofNullable(license.quotes().get(reason.point()))
                .map(quote -> reason.adding(" (" + quote + ")"))
                .orElse(reason);
    }

    private static Reason holder(Holder holder, Optional<String> clientId) {
        String its = "it is held by " + holder.name();
        return clientId.map(client -> client.equals(holder.clientId())
                        ? new Reason(Point.HOLDER, Verdict.ALLOWED, its + ", whose site this is")
                        : new Reason(Point.HOLDER, Verdict.REFUSED, its + ", and this is a site of another client"))
                .orElseGet(() ->
                        new Reason(Point.HOLDER, Verdict.NOT_STATED, its + ", and no client's site was asked about"));
    }

    private static List<Reason> period(Period period, LocalDate day) {
        List<Reason> reasons = new ArrayList<>();
        period.begins()
                .ifPresent(first -> reasons.add(
                        period.hasNotBegunOn(day)
                                ? new Reason(Point.BEGINS, Verdict.REFUSED, "begins only on " + Sentences.day(first))
                                : new Reason(Point.BEGINS, Verdict.ALLOWED, "began on " + Sentences.day(first))));
        period.ends().ifPresent(last -> reasons.add(ends(period, last, day)));
        return reasons;
    }

    private static Reason ends(Period period, LocalDate last, LocalDate day) {
        if (!period.isOverOn(day)) {
            return new Reason(Point.ENDS, Verdict.ALLOWED, "runs until " + Sentences.day(last));
        }
        return period.renews()
                ? new Reason(
                        Point.ENDS,
                        Verdict.NOT_STATED,
                        "it ran until " + Sentences.day(last)
                                + " and renews by itself; record until when it was renewed")
                : new Reason(Point.ENDS, Verdict.REFUSED, "ended on " + Sentences.day(last));
    }

    /** What is said of an act, and by what, where the terms do not say it themselves. */
    static Reason act(License license, Act act) {
        Said said = license.said(act);
        Reason reason = Reason.of(act.point(), said.clause(), act.point().question(Optional.empty()));
        if (said.clause() == Clause.NOT_STATED) {
            return reason;
        }
        return switch (said.source()) {
            case TERMS -> reason;
            case TEXT -> reason.adding(" by the " + license.open().orElseThrow().title());
            case BASIS ->
                reason.adding(
                        ": presumed for the license type “" + license.basis().words() + "”");
        };
    }

    private static List<Reason> domain(License license, Optional<Place> place) {
        PermittedDomains where = license.where();
        return place.map(asked -> where.of(asked.host(), asked.staging()))
                .orElseGet(() -> List.of(where.withoutDomain()));
    }

    private static Reason pageViews(PageViews views, LocalDate day) {
        long over = views.over(day);
        return over == 0
                ? new Reason(Point.PAGE_VIEWS, Verdict.ALLOWED, views.words(day))
                : new Reason(
                        Point.PAGE_VIEWS,
                        Verdict.REFUSED,
                        views.words(day) + ", " + Sentences.number(over) + " too many: " + views.sites(day));
    }

    private static Reason format(License license, FontFormat format) {
        if (license.isForAnyFormat()) {
            return new Reason(Point.FORMAT, Verdict.ALLOWED, "any format is permitted");
        }
        if (license.formats().isEmpty()) {
            return new Reason(Point.FORMAT, Verdict.NOT_STATED, "permitted formats are not stated; ask the vendor");
        }
        return license.formats().contains(format)
                ? new Reason(Point.FORMAT, Verdict.ALLOWED, format.label() + " is permitted")
                : new Reason(Point.FORMAT, Verdict.REFUSED, format.label() + " is not among the permitted formats");
    }
}
