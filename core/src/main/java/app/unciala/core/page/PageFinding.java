package app.unciala.core.page;

import app.unciala.core.sentence.Sentences;
import java.util.Locale;
import java.util.Optional;

/**
 * One thing that is wrong with the fonts of a page.
 *
 * @param text the first text concerned, if it is about texts
 * @param path where that text is, as a selector
 * @param cause what is wrong, which is the same however many texts share it
 * @param others how many texts share it besides the first
 * @param fix what to change, ready to be copied
 */
public record PageFinding(
        Kind kind, Optional<String> text, Optional<String> path, String cause, int others, Optional<String> fix) {
    /** How grave: visitors are given something else than was asked, may be, or it is only worth knowing. */
    public enum Severity {
        ERROR,
        WARNING,
        NOTE;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What can be wrong. */
    public enum Kind {
        OWN_COPY_BROKEN(Severity.ERROR),
        FAKED_BOLD(Severity.ERROR),
        FAKED_ITALIC(Severity.ERROR),
        FALLBACK(Severity.ERROR),
        UNDECLARED_FAMILY(Severity.ERROR),
        UNREACHABLE(Severity.ERROR),
        NOT_A_FONT(Severity.ERROR),
        SHARE_LINK(Severity.ERROR),
        OTHER_ORIGIN(Severity.ERROR),
        MIXED_CONTENT(Severity.ERROR),
        UNUSABLE_FORMAT(Severity.ERROR),
        REFUSED_FONT(Severity.ERROR),
        NOT_A_STYLE_SHEET(Severity.ERROR),
        OTHER_WEIGHT(Severity.WARNING),
        OTHER_SLOPE(Severity.WARNING),
        MISSING_CHARACTERS(Severity.WARNING),
        NO_GENERIC(Severity.WARNING),
        THIRD_PARTY(Severity.WARNING),
        INSECURE_URL(Severity.WARNING),
        DUPLICATE_FACE(Severity.WARNING),
        WRONG_MEDIA_TYPE(Severity.WARNING),
        NOT_COMPRESSED(Severity.WARNING),
        UNUSED_PRELOAD(Severity.WARNING),
        GIVEN_UP(Severity.WARNING),
        NO_CACHING(Severity.NOTE),
        UNUSED_FACE(Severity.NOTE);

        private final Severity severity;

        Kind(Severity severity) {
            this.severity = severity;
        }

        public Severity severity() {
            return severity;
        }

        /** As it stands in answers, such as {@code faked-bold}. */
        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** The cause, with how many other texts share it. */
    public String message() {
        return others == 0
                ? cause
                : cause + " So " + (others == 1 ? "is " : "are ") + Sentences.count(others, "other text", "other texts")
                        + ".";
    }

    static PageFinding of(Kind kind, String cause, Optional<String> fix) {
        return new PageFinding(kind, Optional.empty(), Optional.empty(), cause, 0, fix);
    }

    static PageFinding at(Run run, Kind kind, String cause, int others, Optional<String> fix) {
        return new PageFinding(kind, Optional.of(run.text()), Optional.of(run.path()), cause, others, fix);
    }
}
