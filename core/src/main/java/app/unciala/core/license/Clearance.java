package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What may go out of one face that a site asks for: the file it comes from, all that is done with it, on every host of
 * the site. Whatever is shown, packed or flagged of a delivery reads this.
 *
 * @param slot what goes out: the slot of the file, or no more of a variable file than is asked for where no license
 *     covers all of it; the slot that is asked for where no file is held
 * @param isLimited whether a variable file has to be limited to {@code slot}
 * @param source the file that {@code format} comes from, if any is held
 * @param format of those that the host takes, the first that may go out; the first of all where none may
 * @param decisions on delivering the whole face in {@code format}, by host
 * @param subsetting whether it may be reduced to some characters
 * @param isSubsetWanted whether the site wants that
 * @param renaming whether the family name inside the file may be changed
 * @param formats whether each of the formats that the host takes may go out, and what it comes from
 */
public record Clearance(
        Slot slot,
        boolean isLimited,
        Optional<SourceFile> source,
        FontFormat format,
        Map<DomainName, Decision> decisions,
        Answer subsetting,
        boolean isSubsetWanted,
        Answer renaming,
        List<FormatAnswer> formats) {
    public Clearance {
        decisions = new LinkedHashMap<>(decisions);
        formats = List.copyOf(formats);
    }

    /**
     * An answer for all hosts of a site.
     *
     * @param why the first reason against it; empty where it is allowed
     */
    public record Answer(Verdict verdict, String why) {
        private static final Answer NO_DOMAIN = new Answer(Verdict.NOT_STATED, "the site has no domain to decide on");

        static Answer of(Collection<Decision> decisions) {
            return decisions.stream()
                    .max(Comparator.comparing(Decision::verdict))
                    .map(worst -> new Answer(
                            worst.verdict(),
                            worst.against().stream()
                                    .findFirst()
                                    .map(Reason::text)
                                    .orElse("")))
                    .orElse(NO_DOMAIN);
        }
    }

    /** Whether a face may go out in a format, and the file that it would come from. */
    public record FormatAnswer(FontFormat format, Optional<SourceFile> source, Answer answer) {}

    /** Where and when a site delivers, and how. */
    public record Delivery(DeliveryTerms terms, List<Place> places, String clientId, LocalDate day) {}

    /**
     * Decides on a face of a site.
     *
     * @param licenses those that cover the family, or some of its faces
     * @param asked the slot that the site asks for
     * @param held the files that fill it
     */
    public static Clearance of(
            List<License> licenses, String familyId, Slot asked, List<SourceFile> held, Delivery delivery) {
        return new Deciding(licenses, familyId, asked, held, delivery).decide();
    }

    /** What is decided on all hosts together; without any host it is not stated. */
    public Verdict verdict() {
        return answer().verdict();
    }

    /** The same with the first reason against it. */
    public Answer answer() {
        return Answer.of(decisions.values());
    }

    /** Whether it goes out in a part of its characters. */
    public boolean isSubset() {
        return isSubsetWanted && subsetting.verdict() == Verdict.ALLOWED;
    }

    /** One face of one site, for which formats, acts and slots are tried. */
    private record Deciding(
            List<License> licenses, String familyId, Slot asked, List<SourceFile> held, Delivery delivery) {
        /** A way to deliver the face, the slot that licenses are asked about, and what is decided on it. */
        private record Way(
                FontFormat format, Slot slot, Slot decided, boolean limited, Map<DomainName, Decision> decisions) {
            Verdict verdict() {
                return Answer.of(decisions.values()).verdict();
            }
        }

        Clearance decide() {
            List<FontFormat> formats = delivery.terms().formats();
            List<Way> ways = formats.stream().map(this::way).toList();
            Way best = ways.stream().min(Comparator.comparing(Way::verdict)).orElseThrow();
            Answer subsetting = Answer.of(
                    decisions(best.format(), best.decided(), Set.of(Act.CUT)).values());
            boolean isSubset = delivery.terms().subsets() && subsetting.verdict() == Verdict.ALLOWED;
            List<FormatAnswer> answers = ways.stream()
                    .map(way ->
                            new FormatAnswer(way.format(), source(way.format()), answer(way.format(), best, isSubset)))
                    .toList();
            return new Clearance(
                    best.slot(),
                    best.limited(),
                    source(best.format()),
                    best.format(),
                    best.decisions(),
                    subsetting,
                    delivery.terms().subsets(),
                    Answer.of(decisions(best.format(), best.decided(), Set.of(Act.RENAME))
                            .values()),
                    answers);
        }

        /** Whether a format goes out in the way that was found best. */
        private Answer answer(FontFormat format, Way best, boolean isSubset) {
            Set<Act> more = isSubset || best.limited() ? Set.of(Act.CUT) : Set.of();
            return Answer.of(
                    format == best.format() && more.isEmpty()
                            ? best.decisions().values()
                            : decisions(format, best.decided(), more).values());
        }

        /**
         * How a format goes out: a variable file whole where a license covers all of its range, else limited to what is
         * asked for, which takes away the rest of its outlines and so counts as subsetting.
         */
        private Way way(FontFormat format) {
            Slot whole = source(format).map(SourceFile::slot).orElse(asked);
            if (isPoint(whole)) {
                return new Way(format, whole, asked, false, decisions(format, asked, Set.of()));
            }
            Way all = new Way(format, whole, whole, false, decisions(format, whole, Set.of()));
            if (all.verdict() == Verdict.ALLOWED || !isPoint(asked) || !covers(asked)) {
                return all;
            }
            Way limited = new Way(format, asked, asked, true, decisions(format, asked, Set.of(Act.CUT)));
            return limited.verdict() == Verdict.ALLOWED || !covers(whole) ? limited : all;
        }

        private boolean covers(Slot slot) {
            return licenses.stream().anyMatch(license -> license.isFor(familyId, slot));
        }

        private static boolean isPoint(Slot slot) {
            return slot.weight().isSingle() && slot.width().isSingle();
        }

        /** The file for a format; all formats of a face come from files of one slot. */
        private Optional<SourceFile> source(FontFormat format) {
            FontFormat first = delivery.terms().formats().get(0);
            return held.stream().min(SourceFile.takenFirst(first)).flatMap(main -> held.stream()
                    .filter(file -> file.slot().equals(main.slot()))
                    .min(SourceFile.takenFirst(format)));
        }

        private Map<DomainName, Decision> decisions(FontFormat format, Slot slot, Set<Act> more) {
            EnumSet<Act> acts = EnumSet.copyOf(delivery.terms().acts());
            acts.addAll(more);
            if (source(format).filter(file -> !file.isVendorsOwn(format)).isPresent()) {
                acts.add(Act.CONVERT);
            }
            Map<DomainName, Decision> byHost = new LinkedHashMap<>();
            for (Place place : delivery.places()) {
                byHost.put(
                        place.host(),
                        LicenseDecider.decide(
                                licenses,
                                new FaceUse(
                                        familyId,
                                        slot,
                                        acts,
                                        Optional.of(format),
                                        Optional.of(place),
                                        Optional.of(delivery.clientId()),
                                        delivery.day())));
            }
            return byHost;
        }
    }
}
