package app.unciala.core.license;

import java.util.List;
import java.util.Optional;

/**
 * Whether a use is allowed, with every clause that led to it. {@code licenseId} is the license that speaks most in
 * favor of the use, or nothing when no license covers the face.
 */
public record Decision(Verdict verdict, Optional<String> licenseId, List<Reason> reasons) {
    /** One clause and what it says of the use. */
    public record Reason(Point point, Verdict verdict, String text) {
        /** The reason for what a license says on a point; {@code what} is what it says it of. */
        static Reason of(Point point, Clause clause, String what) {
            String text =
                    switch (clause) {
                        case GRANTED -> what + " is granted";
                        case REFUSED -> what + " is refused";
                        case NOT_STATED -> what + " is not stated; ask the vendor";
                    };
            return new Reason(point, clause.verdict(), text);
        }

        /** The same, with more said of it. */
        Reason adding(String more) {
            return new Reason(point, verdict, text + more);
        }
    }

    /** The points on which a license is asked. */
    public enum Point {
        COVERAGE,
        HOLDER,
        BEGINS,
        ENDS,
        WEB_USE,
        DOMAIN,
        DOMAIN_LIMIT,
        PAGE_VIEWS,
        FORMAT,
        CONVERTING,
        CUTTING,
        RENAMING,
        INLINING,
        THIRD_PARTY;

        /** What a vendor is asked when a license does not say it on this point; {@code host} is where it is used. */
        public String question(Optional<String> host) {
            return switch (this) {
                case COVERAGE -> "these faces";
                case HOLDER -> "the clients whose sites it serves";
                case BEGINS -> "the day on which it begins";
                case ENDS -> "the day on which it ends";
                case WEB_USE -> "use on web pages";
                case DOMAIN -> host.map(name -> "use on " + name).orElse("the domains on which it is used");
                case DOMAIN_LIMIT -> "how many domains it permits";
                case PAGE_VIEWS -> "how many page views a month it permits";
                case FORMAT -> "the formats in which files may be served";
                case CONVERTING -> "converting to other formats";
                case CUTTING -> "subsetting";
                case RENAMING -> "renaming";
                case INLINING -> "inlining in a page or style sheet";
                case THIRD_PARTY -> "third-party hosting";
            };
        }
    }

    public Decision {
        reasons = List.copyOf(reasons);
    }

    /** The reasons that stand against the use, refusals before silences. */
    public List<Reason> against() {
        return reasons.stream()
                .filter(reason -> reason.verdict() != Verdict.ALLOWED)
                .sorted((a, b) -> b.verdict().compareTo(a.verdict()))
                .toList();
    }
}
