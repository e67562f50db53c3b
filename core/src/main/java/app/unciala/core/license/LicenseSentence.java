package app.unciala.core.license;

import app.unciala.core.license.License.Source;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.FontFormat;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Says in a few sentences what a license allows, so that nobody has to read its terms one by one. */
public final class LicenseSentence {
    private static final int MOST_NAMES = 3;

    private final License license;
    private final LocalDate day;
    private final String subject;

    private LicenseSentence(License license, List<String> families, LocalDate day) {
        this.license = license;
        this.day = day;
        this.subject = subject(license, families);
    }

    /**
     * What a license allows on a day, the first sentence first.
     *
     * @param families the names of the families that it covers
     */
    public static List<String> of(License license, List<String> families, LocalDate day) {
        LicenseSentence sentence = new LicenseSentence(license, families, day);
        List<String> sentences = new ArrayList<>();
        sentences.add(sentence.webUse());
        if (!license.endedBy(day)) {
            sentence.notStated(sentences);
            sentence.limits(sentences);
            sentence.otherActs(sentences);
        }
        return List.copyOf(sentences);
    }

    private static String subject(License license, List<String> families) {
        if (families.isEmpty()) {
            return "";
        }
        boolean some = !license.covers().isEmpty()
                && license.covers().stream()
                        .allMatch(coverage -> !coverage.faces().isEmpty());
        return (some ? "The faces named of " : "") + several(families, "family", "families");
    }

    private static String several(List<String> names, String one, String many) {
        if (names.size() <= MOST_NAMES + 1) {
            return Sentences.listed(names);
        }
        List<String> shown = new ArrayList<>(names.subList(0, MOST_NAMES));
        shown.add(Sentences.count((long) names.size() - MOST_NAMES, "more " + one, "more " + many));
        return Sentences.listed(shown);
    }

    private String webUse() {
        if (subject.isEmpty()) {
            return "It covers no family yet.";
        }
        if (license.endedBy(day)) {
            return "It ended on " + Sentences.day(license.period().ends().orElseThrow()) + ": " + subject
                    + " may not be used by it any more.";
        }
        return switch (license.clause(Act.SERVE)) {
            case GRANTED -> subject + " may be served" + formats() + where() + whose() + when() + ".";
            case REFUSED -> subject + " may not be used on web pages" + presumed() + ".";
            case NOT_STATED -> "Whether " + subject + " may be used on web pages is not stated; ask the vendor.";
        };
    }

    private String presumed() {
        return license.said(Act.SERVE).source() == Source.BASIS
                ? ", as is presumed for the license type “" + license.basis().words() + "”"
                : "";
    }

    private String formats() {
        if (license.isForAnyFormat()) {
            return " in any format";
        }
        List<String> labels = Arrays.stream(FontFormat.values())
                .filter(license.formats()::contains)
                .map(FontFormat::label)
                .toList();
        return labels.isEmpty() ? "" : " as " + String.join(" or ", labels);
    }

    private String where() {
        PermittedDomains where = license.where();
        if (where.any()) {
            return " on any domain";
        }
        List<String> within = where.named().stream()
                .filter(pattern -> !where.over().contains(pattern))
                .map(Object::toString)
                .toList();
        if (!within.isEmpty()) {
            return " on " + several(within, "domain", "domains");
        }
        return where.places().isPresent()
                ? " on up to " + places(where, where.places().getAsInt()) + ", none of which is named yet"
                : "";
    }

    private String whose() {
        return license.holder()
                .map(holder -> ", for " + holder.name() + ", who holds it")
                .orElse("");
    }

    private String when() {
        Period period = license.period();
        String from = period.begins()
                .filter(first -> first.isAfter(day))
                .map(first -> ", from " + Sentences.day(first))
                .orElse("");
        String until = period.ends()
                .map(last -> (from.isEmpty() ? ", until " : " until ")
                        + Sentences.day(last)
                        + (period.renews() ? ", when it renews by itself" : ""))
                .orElse("");
        return from + until;
    }

    private void notStated(List<String> sentences) {
        if (license.clause(Act.SERVE) == Clause.GRANTED && !subject.isEmpty()) {
            if (!license.where().isStated()) {
                sentences.add("On which domains, is not stated; ask the vendor.");
            }
            if (!license.isForAnyFormat() && license.formats().isEmpty()) {
                sentences.add("In which formats, is not stated; ask the vendor.");
            }
        }
    }

    private void limits(List<String> sentences) {
        PermittedDomains where = license.where();
        if (!where.named().isEmpty()) {
            where.places()
                    .ifPresent(places ->
                            sentences.add(where.over().isEmpty() ? freePlaces(where, places) : where.tooMany() + "."));
        }
        license.pageViews().ifPresent(views -> sentences.add(capital(views.words(day)) + "."));
    }

    private static String freePlaces(PermittedDomains where, int places) {
        int free = where.free().orElseThrow();
        return "It permits " + places(where, places)
                + (free == 0 ? ", and the limit is reached." : "; " + Sentences.number(free) + " more may be added.");
    }

    private static String places(PermittedDomains where, int places) {
        String counted = where.counting().words();
        return Sentences.count(places, counted, counted + "s");
    }

    private void otherActs(List<String> sentences) {
        for (Clause clause : List.of(Clause.GRANTED, Clause.REFUSED)) {
            List<String> acts = Arrays.stream(Act.values())
                    .filter(act -> act != Act.SERVE && license.clause(act) == clause)
                    .map(act -> act.point().question(Optional.empty()))
                    .toList();
            if (!acts.isEmpty()) {
                sentences.add(capital(Sentences.listed(acts))
                        + (acts.size() == 1 ? " is " : " are ")
                        + (clause == Clause.GRANTED ? "granted." : "refused."));
            }
        }
    }

    private static String capital(String sentence) {
        return Character.toUpperCase(sentence.charAt(0)) + sentence.substring(1);
    }
}
