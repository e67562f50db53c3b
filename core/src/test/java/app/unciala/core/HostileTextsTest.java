package app.unciala.core;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.license.TermsReader;
import app.unciala.core.license.TermsReader.AgreementPage;
import app.unciala.core.page.PageReader;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.proof.ProofReader;
import app.unciala.core.proof.Reference;
import app.unciala.font.budget.Budget;
import app.unciala.font.budget.BudgetSpentException;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Texts that were made to take long. Each has an answer within {@link #MOST} of processor time, which is many times what it
 * takes on a machine of its own. With {@code attack.percent} 100 they have up to 3 MB; with {@code attack.figures} what each
 * took is printed.
 */
class HostileTextsTest {
    private static final Duration MOST = Duration.ofSeconds(15);
    private static final int PERCENT = Integer.getInteger("attack.percent", 10);

    static Map<String, String> styleSheets() {
        Map<String, String> sheets = new LinkedHashMap<>();
        sheets.put(
                "1,500 families declared, 1,500 like them asked for",
                times(
                        1_500,
                        i -> "@font-face{font-family:Wendlow" + i * 7 + ";src:url(a.woff2)}a{font-family:Wendlov"
                                + i * 5 + "}"));
        sheets.put(
                "families declared by their weights",
                times(
                        2_000,
                        i -> "@font-face{font-family:\"F" + i + " Bold\";src:url(a)}a{font-family:\"F" + i
                                + " Light\"}"));
        sheets.put(
                "one family declared 8,000 times", times(8_000, i -> "@font-face{font-family:A;src:url(" + i + ")}"));
        sheets.put("typographic quotes", "a{b:”}".repeat(sized(200_000)));
        sheets.put("typographic quotes in one value", "a{b:" + "”".repeat(sized(900_000)) + "}");
        sheets.put(
                "insecure addresses",
                times(20_000, i -> "@font-face{font-family:F;src:url(http://a.example/" + i + ")}"));
        sheets.put("a list of 200,000 families", "a{font-family:" + times(200_000, i -> "F" + i + ",") + "serif}");
        sheets.put("imports", times(60_000, i -> "@import url(http://a.example/" + i + ".css);"));
        sheets.put("open blocks", "{".repeat(sized(1_000_000)));
        sheets.put("open rules", "a{".repeat(sized(500_000)));
        sheets.put("open brackets", "a{b:" + "[(".repeat(sized(700_000)));
        sheets.put("open comments", "/*".repeat(sized(1_000_000)));
        sheets.put("strings that break", "a{b:\"\n".repeat(sized(400_000)));
        sheets.put("escapes", "\\61 ".repeat(sized(700_000)));
        sheets.put("one name", "a".repeat(sized(3_000_000)));
        sheets.put("addresses that break", "a{src:url(a b".repeat(sized(150_000)));
        sheets.put(
                "ranges",
                "@font-face{font-family:A;src:url(a);unicode-range:" + "U+0-10FFFF,".repeat(sized(200_000)) + "U+1}");
        sheets.put("selectors", "a b,".repeat(sized(600_000)) + "a{font-family:A}");
        sheets.put("media", "@media(x){".repeat(sized(200_000)));
        sheets.put("a chain of custom properties", times(50_000, i -> "a{--p" + i + ":var(--p" + (i + 1) + ")}"));
        sheets.put(
                "custom properties that double",
                "a{font-family:var(--p0)}"
                        + times(60, i -> "a{--p" + i + ":var(--p" + (i + 1) + ") var(--p" + (i + 1) + ")}"));
        sheets.put("style elements", "<style>a{font-family:A}</style>".repeat(sized(80_000)));
        return sheets;
    }

    static Map<String, String> agreements() {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String word : List.of(
                "until ",
                "111 ",
                "1,",
                "license ",
                "may not ",
                "domains page views subset ",
                "total € ",
                "valid from 1 ",
                "a: \n",
                "\n\n",
                "1.1.1 ",
                "Licensee. ")) {
            texts.put(word.strip() + " again and again", word.repeat(sized(1_000_000) / word.length()));
        }
        texts.put("one host", "The domain " + "a.".repeat(sized(490_000)) + "1");
        texts.put("one word", "a".repeat(sized(1_000_000)));
        return texts;
    }

    static Map<String, String> pages() {
        Map<String, String> pages = new LinkedHashMap<>();
        pages.put(
                "a list of 60,000 families",
                "<style>p{font-family:" + times(60_000, i -> "F" + i + ",") + "serif}</style>"
                        + "<p>a".repeat(sized(200)));
        pages.put("details", "<details>" + "<p>a</p>".repeat(sized(20_000)) + "</details>");
        pages.put(
                "rules with :has()",
                "<style>" + times(3_000, i -> "p:has(i" + i + " b){color:red}") + "</style>"
                        + "<p>a<i>b</i>".repeat(sized(2_000)));
        pages.put(
                "long custom properties",
                "<style>*{" + times(300, i -> "--p" + i + ":" + "a".repeat(sized(9_800)) + ";") + "}</style>"
                        + "<p>a".repeat(sized(2_000)));
        pages.put(
                "custom properties of each element",
                "<style>:root{--a:" + "a".repeat(sized(90_000)) + "}*{--b:var(--a)}</style>"
                        + "<p>a".repeat(sized(20_000)));
        pages.put("a deep page", "<div>".repeat(sized(30_000)) + "a");
        return pages;
    }

    @ParameterizedTest
    @MethodSource
    void styleSheetsHaveAnAnswer(Map.Entry<String, String> sheet) {
        assertAnswered(sheet.getKey(), () -> ProofReader.read(sheet.getValue(), Reference.none())
                .findings());
    }

    static List<Map.Entry<String, String>> styleSheetsHaveAnAnswer() {
        return List.copyOf(styleSheets().entrySet());
    }

    @ParameterizedTest
    @MethodSource
    void agreementsHaveAnAnswer(Map.Entry<String, String> agreement) {
        assertAnswered(agreement.getKey(), () -> TermsReader.read(List.of(new AgreementPage(0, agreement.getValue()))));
    }

    static List<Map.Entry<String, String>> agreementsHaveAnAnswer() {
        return List.copyOf(agreements().entrySet());
    }

    @ParameterizedTest
    @MethodSource
    void pagesHaveAnAnswer(Map.Entry<String, String> page) {
        assertAnswered(page.getKey(), () -> read(page.getValue()));
    }

    static List<Map.Entry<String, String>> pagesHaveAnAnswer() {
        return List.copyOf(pages().entrySet());
    }

    /** Whatever takes long ends in time: no loop over what others wrote goes on for a second without asking. */
    @Test
    void eachEndsWhenItsTimeIsUsedUp() {
        styleSheets().forEach((name, sheet) -> {
            long begun = processorTime();
            try {
                Budget.within(Duration.ofMillis(1), () -> ProofReader.read(sheet, Reference.none()));
            } catch (BudgetSpentException e) {
                assertThat(e.isStopped()).isFalse();
            }
            assertThat(processorTime() - begun).as(name).isLessThan(1_000_000_000L);
        });
    }

    private static long processorTime() {
        return ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime();
    }

    private static Object read(String html) {
        return PageReader.read(
                        "https://a.example/",
                        (url, use) -> new Resource(
                                url,
                                200,
                                Map.of("content-type", "text/html"),
                                ("<!doctype html>" + html).getBytes(StandardCharsets.UTF_8),
                                Optional.empty()),
                        Viewport.LAPTOP)
                .findings();
    }

    private static void assertAnswered(String name, Supplier<Object> work) {
        long begun = processorTime();
        assertThat(Budget.within(MOST, work)).as(name).isNotNull();
        if (Boolean.getBoolean("attack.figures")) {
            long took = processorTime() - begun;
            System.out.printf("%6d ms  %s%n", took / 1_000_000, name);
        }
    }

    private static int sized(int count) {
        return count * PERCENT / 100;
    }

    private static String times(int count, IntFunction<String> part) {
        return IntStream.range(0, sized(count)).mapToObj(part).collect(Collectors.joining());
    }
}
