package app.unciala.core.license;

import app.unciala.core.domain.DomainPattern;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.budget.Budget;
import java.math.BigDecimal;
import java.text.BreakIterator;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads from the text of an agreement what a license may say. What is read is proposed with the words that say it; it
 * is for a person to read them and to take it over. What is not found is not thereby unsaid.
 */
public final class TermsReader {
    /** A page of an agreement; a text without pages is one, with the number 0. */
    public record AgreementPage(int number, String text) {}

    /** The term that a proposal is for. */
    public enum Term {
        BASIS,
        SPDX,
        WEB_USE,
        THIRD_PARTY,
        INLINING,
        CONVERTING,
        CUTTING,
        RENAMING,
        TRANSFER,
        SUBDOMAINS,
        DEVELOPMENT,
        DOMAINS,
        DOMAIN_LIMIT,
        PAGE_VIEW_LIMIT,
        FORMATS,
        BEGINS,
        ENDS,
        RENEWS,
        NOTICE_DAYS,
        PRICE,
        CURRENCY,
        PROOF
    }

    /**
     * What a sentence seems to say of a term. {@code value} is a name of {@link Basis} or {@link Clause}, a number, a day
     * as ISO 8601 writes it, names with commas between them, or {@code true}.
     */
    public record Proposal(Term term, String value, Quote quote) {}

    private static final int LONGEST_QUOTE = 400;
    private static final int LONGEST_SENTENCE = 800;
    private static final int MOST_SENTENCES = 20_000;
    /** So many characters after a word such as “until” a date may begin. */
    private static final int FARTHEST_DATE = 40;

    private static final int LONGEST_DATE = 30;
    private static final Pattern LINE_BREAK = Pattern.compile("\\R");
    private static final Pattern SPACES = Pattern.compile("\\s+");
    private static final Pattern LABEL = Pattern.compile("[^:]{2,40}:");
    /** So many characters before the end of a line a label may end. */
    private static final int FARTHEST_LABEL = 200;
    /** Sentences are looked for in so many characters at a time. */
    private static final int LONGEST_PARAGRAPH = 20_000;

    private static final String NUMBER = "(\\d{1,3}(?:[,.'’  ]\\d{3}){1,4}|\\d{1,12})";
    private static final List<String> NUMBER_WORDS =
            List.of("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten");
    private static final String COUNT = "(\\d{1,5}|" + String.join("|", NUMBER_WORDS) + "|single)";

    private static final Pattern NEGATIVE = words(
            "(may|must|shall|can|will|do|does) ?not|cannot|not (be )?(permitted|allowed"
                    + "|granted|included|licensed)|prohibit\\w*|forbid\\w*|forbidden|excluded?|excluding|only with (the )?(prior )?"
                    + "(written )?(permission|consent)|without (the )?(express |prior )?(written )?(permission|consent)|no right");
    private static final Pattern POSITIVE = words(
            "may|can|permits?|permitted|allows?|allowed|grants?|granted|entitle[sd]?|rights? to|includes?|included|licensed");

    private static final Map<Term, Pattern> CLAUSES = clauses();
    private static final Map<Basis, Pattern> BASES = bases();
    private static final Pattern OF_DOMAINS = words("domains?|web ?sites?");
    private static final Pattern OF_FORMATS = words("formats?");
    private static final Pattern ORDER = Pattern.compile(
            "\\b(?:order|invoice|receipt|license)\\s*(?:no\\.?|number|nr\\.?|id|#)\\s*[:#]?\\s*([A-Z0-9][\\w/-]{2,30})",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern DOMAINS =
            words(COUNT + " (?:\\(\\d+\\) )?(?:registered |internet )?(?:web ?sites?|domains?|domain names?)");
    private static final String AMOUNT = "(?<![\\d.,])(?:(\\d{1,4}(?:\\.\\d{1,3})?) million|" + NUMBER + ")";
    private static final String PAGE_VIEWS = "(?:page ?views|pageviews)";
    private static final List<Pattern> VIEWS = List.of(
            words(AMOUNT + " (?:monthly )?" + PAGE_VIEWS),
            words(PAGE_VIEWS
                    + "[^\\d.;]{0,60}?(?:limited|restricted|capped|exceed|exceeding|up|at most|more than|maximum)"
                    + "(?: (?:to|at|of))? " + AMOUNT));
    private static final Pattern NOTICE =
            words("(\\d{1,4}) (?:calendar )?days['’]? (?:prior |advance )?(?:written )?notice");
    private static final Pattern RENEWS =
            words("renews automatically|automatic(ally)? (be )?renew(s|ed|al)?|auto-?renew(s|ed|al)?");
    private static final Pattern PRICE = Pattern.compile(
            "\\b(?:total|price|fee|amount)\\b[^\\d€$£]{0,40}(?:(EUR|USD|GBP|CHF|€|\\$|£)\\s?([\\d.,'’]*\\d)|([\\d.,'’]*\\d)\\s?(EUR|USD|GBP|CHF|€|£))",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern HOST = Pattern.compile(
            "(?<![@\\w./-])(?:\\*\\.)?(?:[\\p{L}\\d](?:[\\p{L}\\d-]{0,61}[\\p{L}\\d])?\\.)+\\p{L}{2,24}(?![\\w@])");
    private static final Pattern FORMAT = words("(woff ?2|woff|ttf|truetype|otf|opentype|eot|svg)");
    private static final Pattern BEGINS = words(
            "(effective|valid from|begins?|beginning|commenc\\w+|starts?|starting|order date|date of purchase|purchased on)");
    private static final Pattern ENDS =
            words("(expires?|expiry|expiration|ends?|ending|until|valid (to|through)|through|terminates? on)");
    private static final String MONTHS =
            "(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sep(?:t(?:ember)?)?"
                    + "|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)";
    private static final List<Pattern> DATES = List.of(
            words("(?<y>\\d{4})-(?<m>\\d{2})-(?<d>\\d{2})"),
            words("(?<month>" + MONTHS + ")\\.? (?<d>\\d{1,2})(?:st|nd|rd|th)?,? (?<y>\\d{4})"),
            words("(?<d>\\d{1,2})(?:st|nd|rd|th)?\\.? (?<month>" + MONTHS + "),? (?<y>\\d{4})"),
            words("(?<d>\\d{1,2})\\.(?<m>\\d{1,2})\\.(?<y>\\d{4})"));
    private static final List<String> MONTH_NAMES =
            List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");

    private final List<Proposal> proposals = new ArrayList<>();
    private final Set<Term> found = EnumSet.noneOf(Term.class);

    private TermsReader() {}

    /** What the pages propose, each term once: by the first sentence that says something of it. */
    public static List<Proposal> read(List<AgreementPage> pages) {
        TermsReader reader = new TermsReader();
        int left = MOST_SENTENCES;
        for (AgreementPage page : pages) {
            String place = page.number() == 0 ? "" : "page " + page.number();
            for (String sentence : sentences(page.text())) {
                Budget.check();
                if (left-- > 0) {
                    reader.read(sentence, new Quote(Sentences.shortened(sentence, LONGEST_QUOTE), place));
                }
            }
            LicenseText.recognize(page.text()).ifPresent(open -> {
                Quote quote = new Quote(Sentences.shortened(open.quote(), LONGEST_QUOTE), place);
                reader.propose(Term.SPDX, open.license().spdx(), quote);
                reader.replace(Term.BASIS, Basis.OPEN.name(), quote);
            });
        }
        return List.copyOf(reader.proposals);
    }

    private void read(String sentence, Quote quote) {
        basis(sentence).ifPresent(basis -> propose(Term.BASIS, basis.name(), quote));
        CLAUSES.forEach((term, about) -> {
            if (about.matcher(sentence).find()) {
                said(sentence).ifPresent(clause -> propose(term, clause.name(), quote));
            }
        });
        first(ORDER, sentence).ifPresent(order -> propose(Term.PROOF, order, quote));
        first(DOMAINS, sentence).map(TermsReader::counted).ifPresent(count -> propose(Term.DOMAIN_LIMIT, count, quote));
        VIEWS.stream()
                .map(pattern -> pattern.matcher(sentence))
                .filter(Matcher::find)
                .findFirst()
                .ifPresent(views -> propose(Term.PAGE_VIEW_LIMIT, amount(views), quote));
        first(NOTICE, sentence).ifPresent(days -> propose(Term.NOTICE_DAYS, days, quote));
        if (RENEWS.matcher(sentence).find() && !NEGATIVE.matcher(sentence).find()) {
            propose(Term.RENEWS, "true", quote);
        }
        price(sentence, quote);
        names(sentence, quote);
        date(BEGINS, sentence).ifPresent(day -> propose(Term.BEGINS, day.toString(), quote));
        date(ENDS, sentence).ifPresent(day -> propose(Term.ENDS, day.toString(), quote));
    }

    /** The number that a pattern with an amount found: so many millions, or as it is. */
    private static String amount(Matcher found) {
        return found.group(1) == null
                ? digits(found.group(2))
                : new BigDecimal(found.group(1))
                        .movePointRight(6)
                        .toBigInteger()
                        .toString();
    }

    private void propose(Term term, String value, Quote quote) {
        if (found.add(term)) {
            proposals.add(new Proposal(term, value, quote));
        }
    }

    private void replace(Term term, String value, Quote quote) {
        proposals.removeIf(proposal -> proposal.term() == term);
        found.remove(term);
        propose(term, value, quote);
    }

    private static Optional<Basis> basis(String sentence) {
        return BASES.entrySet().stream()
                .filter(basis -> basis.getValue().matcher(sentence).find())
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** The words that tell a basis, the ones that decide first. */
    private static Map<Basis, Pattern> bases() {
        Map<Basis, Pattern> bases = new LinkedHashMap<>();
        bases.put(Basis.TRIAL, words("(trial|evaluation) (version|license|period|use|font)"));
        bases.put(Basis.PERSONAL, words("personal use only|for personal use|non-?commercial use only"));
        bases.put(Basis.DESKTOP, words("desktop (font )?licen[cs]e"));
        bases.put(
                Basis.SUBSCRIPTION,
                words("(annual|yearly|monthly) (subscription|licen[cs]e)|subscription (term|period|fee)"));
        return bases;
    }

    private static Map<Term, Pattern> clauses() {
        Map<Term, Pattern> about = new EnumMap<>(Term.class);
        about.put(
                Term.WEB_USE,
                words("web ?sites?|web ?pages?|web ?fonts?|web use|web embedding|@font-face|self-?host\\w*"));
        about.put(Term.THIRD_PARTY, words("third[- ]part(y|ies) (host\\w*|servers?|services?)|content delivery|CDNs?"));
        about.put(Term.INLINING, words("base-?64|data ur[il]s?|inlin\\w+"));
        about.put(Term.CONVERTING, words("conver(t|ts|ted|ting|sion)|other (font )?formats?"));
        about.put(Term.CUTTING, words("subset\\w*"));
        about.put(Term.RENAMING, words("renam\\w+|chang\\w+ the (font )?names?"));
        about.put(Term.TRANSFER, words("transfer\\w*|assign(ed|able|ment)?|sublicens\\w+"));
        about.put(Term.SUBDOMAINS, words("sub-?domains?"));
        about.put(
                Term.DEVELOPMENT,
                words("staging|development (servers?|sites?|purposes)|local hosts?|test (servers?|sites?)"));
        return about;
    }

    /** Whether a sentence refuses or grants; nothing when it does neither. */
    private static Optional<Clause> said(String sentence) {
        if (NEGATIVE.matcher(sentence).find()) {
            return Optional.of(Clause.REFUSED);
        }
        return POSITIVE.matcher(sentence).find() ? Optional.of(Clause.GRANTED) : Optional.empty();
    }

    private void price(String sentence, Quote quote) {
        Matcher matcher = PRICE.matcher(sentence);
        if (matcher.find()) {
            String amount = matcher.group(2) == null ? matcher.group(3) : matcher.group(2);
            String currency = matcher.group(1) == null ? matcher.group(4) : matcher.group(1);
            cents(amount).ifPresent(cents -> {
                propose(Term.PRICE, cents, quote);
                propose(Term.CURRENCY, currency(currency), quote);
            });
        }
    }

    private static String currency(String written) {
        return switch (written) {
            case "€" -> "EUR";
            case "$" -> "USD";
            case "£" -> "GBP";
            default -> written.toUpperCase(Locale.ROOT);
        };
    }

    /** An amount in hundredths; the last separator stands before the decimals when two digits follow it. */
    private static Optional<String> cents(String amount) {
        Matcher decimals = Pattern.compile("^(.*)[.,](\\d{2})$").matcher(amount);
        String whole = digits(decimals.matches() ? decimals.group(1) : amount);
        String rest = decimals.matches() ? decimals.group(2) : "00";
        return whole.isEmpty() || whole.length() > 9 ? Optional.empty() : Optional.of(whole + rest);
    }

    private void names(String sentence, Quote quote) {
        if (OF_DOMAINS.matcher(sentence).find()) {
            Set<String> hosts = new LinkedHashSet<>();
            HOST.matcher(sentence).results().forEach(host -> pattern(host.group())
                    .ifPresent(hosts::add));
            if (!hosts.isEmpty()) {
                propose(Term.DOMAINS, String.join(", ", hosts), quote);
            }
        }
        if (OF_FORMATS.matcher(sentence).find() && !NEGATIVE.matcher(sentence).find()) {
            Set<String> formats = new LinkedHashSet<>();
            FORMAT.matcher(sentence).results().forEach(format -> formats.add(format(format.group())));
            if (!formats.isEmpty()) {
                propose(Term.FORMATS, String.join(", ", formats), quote);
            }
        }
    }

    private static Optional<String> pattern(String host) {
        try {
            return Optional.of(DomainPattern.parse(host).toString());
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static String format(String written) {
        String name = written.toLowerCase(Locale.ROOT).replace(" ", "");
        return name.equals("truetype") ? "ttf" : name.equals("opentype") ? "otf" : name;
    }

    /** The day that stands after words, at most forty letters on. A day such as 3/4/2030 could be two, and is none. */
    private static Optional<LocalDate> date(Pattern before, String sentence) {
        Matcher matcher = before.matcher(sentence);
        while (matcher.find()) {
            String after = sentence.substring(
                    matcher.end(), Math.min(sentence.length(), matcher.end() + FARTHEST_DATE + LONGEST_DATE));
            for (Pattern written : DATES) {
                Matcher date = written.matcher(after);
                if (date.find() && date.start() <= FARTHEST_DATE) {
                    return day(date);
                }
            }
        }
        return Optional.empty();
    }

    private static Optional<LocalDate> day(Matcher date) {
        try {
            int month = date.pattern().pattern().contains("?<month>")
                    ? MONTH_NAMES.indexOf(date.group("month").substring(0, 3).toLowerCase(Locale.ROOT)) + 1
                    : Integer.parseInt(date.group("m"));
            return Optional.of(
                    LocalDate.of(Integer.parseInt(date.group("y")), month, Integer.parseInt(date.group("d"))));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static Optional<String> first(Pattern pattern, String sentence) {
        Matcher matcher = pattern.matcher(sentence);
        return matcher.find() ? Optional.of(matcher.group(1)) : Optional.empty();
    }

    private static String counted(String written) {
        String word = written.toLowerCase(Locale.ROOT);
        int number = word.equals("single") ? 0 : NUMBER_WORDS.indexOf(word);
        return number < 0 ? word : String.valueOf(number + 1);
    }

    private static String digits(String written) {
        return written.replaceAll("\\D", "");
    }

    /** The sentences of a text. */
    private static List<String> sentences(String text) {
        List<String> sentences = new ArrayList<>();
        BreakIterator breaks = BreakIterator.getSentenceInstance(Locale.US);
        for (String paragraph : paragraphs(text)) {
            for (String part : parts(paragraph, LONGEST_PARAGRAPH)) {
                Budget.check();
                breaks.setText(part);
                int from = 0;
                for (int to = breaks.next(); to != BreakIterator.DONE; to = breaks.next()) {
                    // The time that patterns take may grow with the square of a text.
                    sentences.addAll(parts(part.substring(from, to), LONGEST_SENTENCE));
                    from = to;
                }
            }
        }
        return sentences;
    }

    /** Lines of one paragraph are one line; a line with a label, such as "Domains:", is its own. */
    private static List<String> paragraphs(String text) {
        List<String> paragraphs = new ArrayList<>();
        StringBuilder open = new StringBuilder();
        String before = "";
        for (String line : LINE_BREAK.split(text)) {
            if (line.isBlank() || LABEL.matcher(line).lookingAt() || (endsLabeled(before) && beginsUpper(line))) {
                paragraphs.add(open.toString());
                open.setLength(0);
            }
            open.append(line).append(' ');
            before = line;
        }
        paragraphs.add(open.toString());
        return paragraphs.stream()
                .map(paragraph -> SPACES.matcher(paragraph).replaceAll(" ").strip())
                .toList();
    }

    private static boolean endsLabeled(String line) {
        int from = Math.max(0, line.length() - 1 - FARTHEST_LABEL);
        return line.length() > 1 && line.substring(from, line.length() - 1).indexOf(':') >= 0;
    }

    private static boolean beginsUpper(String line) {
        return Character.isUpperCase(line.codePointAt(0));
    }

    /** A text in parts of so many characters at most, which end at spaces where there are some. */
    private static List<String> parts(String text, int longest) {
        List<String> parts = new ArrayList<>();
        int from = 0;
        while (text.length() - from > longest) {
            int space = text.lastIndexOf(' ', from + longest);
            int end = space > from ? space : from + longest;
            add(text.substring(from, end), parts);
            from = end;
        }
        add(text.substring(from), parts);
        return parts;
    }

    private static void add(String part, List<String> parts) {
        if (!part.isBlank()) {
            parts.add(part.strip());
        }
    }

    private static Pattern words(String pattern) {
        return Pattern.compile("(?<!\\w)(?:" + pattern + ")(?!\\w)", Pattern.CASE_INSENSITIVE);
    }
}
