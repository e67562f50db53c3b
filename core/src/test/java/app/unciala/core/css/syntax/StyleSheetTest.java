package app.unciala.core.css.syntax;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import app.unciala.core.css.syntax.StyleSheet.AtRule;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.StyleSheet.Node;
import app.unciala.core.css.syntax.StyleSheet.Place;
import app.unciala.core.css.syntax.StyleSheet.QualifiedRule;
import app.unciala.core.css.syntax.StyleSheet.Rule;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.core.testing.StyleSheets;
import app.unciala.testing.Tool;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Style sheets are read as Chromium reads them: what we read, written again, is the same to it as the text itself. */
class StyleSheetTest {
    private static final int DAMAGED = 600;
    private static final String SIGNS = "{}{}()[];:,\"'\\/*@#!<>-. \n&%+~=|\u201C\u00E9";

    /** Reads both texts of each pair, and tells of the first in which they differ. */
    private static final String PAGE = """
            <!doctype html><meta charset="utf-8"><pre id="said"></pre><script>
            const text = (code) => new TextDecoder().decode(Uint8Array.from(atob(code), (c) => c.charCodeAt(0)));
            const read = (css) => {
              const sheet = new CSSStyleSheet();
              sheet.replaceSync(css);
              // What is not closed at the end of the text stays open in what Chromium keeps of var().
              return [...sheet.cssRules].map((rule) => rule.cssText.replace(/[)\\]}"' ]+;/g, ";"));
            };
            let rules = 0;
            const differing = pairs.flatMap(([given, ours], i) => {
              const as = read(text(given));
              const is = read(text(ours));
              rules += as.length;
              const at = Math.max(as.length, is.length) && [...Array(Math.max(as.length, is.length)).keys()].find((n) => as[n] !== is[n]);
              return at === undefined || at === 0 && as[0] === is[0] ? [] : [`${i}: ${as[at]} | ${is[at]}`];
            });
            document.getElementById("said").textContent = `${rules} rules, ${differing.length} differ\\n${differing.slice(0, 5).join("\\n")}`;
            </script>
            """;

    @TempDir
    private Path folder;

    @Test
    void readsPublishedStyleSheetsAsChromiumDoes() throws IOException {
        String said = compared(List.copyOf(StyleSheets.published().values()));

        assertTrue(said.contains(", 0 differ"), said);
        assertTrue(Integer.parseInt(said.replaceAll(" rules.*(?s).*", "").strip()) > 5000, said);
    }

    @Test
    void readsDamagedStyleSheetsAsChromiumDoes() throws IOException {
        Random random = new Random(11);
        List<String> whole = List.copyOf(StyleSheets.published().values());
        List<String> damaged = new ArrayList<>();
        for (int i = 0; i < DAMAGED; i++) {
            String css = whole.get(random.nextInt(whole.size()));
            int from = random.nextInt(Math.max(1, css.length() - 1500));
            StringBuilder part = new StringBuilder(css.substring(from, Math.min(css.length(), from + 1500)));
            for (int change = random.nextInt(6); change >= 0; change--) {
                int at = random.nextInt(part.length());
                if (random.nextBoolean()) {
                    part.insert(at, SIGNS.charAt(random.nextInt(SIGNS.length())));
                } else {
                    part.deleteCharAt(at);
                }
            }
            damaged.add(part.toString());
        }

        String said = compared(damaged);

        assertTrue(said.contains(", 0 differ"), said);
    }

    @Test
    void placesAreCountedFromOne() {
        StyleSheet sheet = StyleSheet.read("a{}\r\nb{}\n\n  c{}");

        assertEquals(
                List.of(new Place(1, 1), new Place(2, 1), new Place(4, 3)),
                sheet.rules().stream().map(rule -> sheet.place(rule.start())).toList());
    }

    @Test
    void whatIsNestedWithoutEndIsPassedOver() {
        StyleSheet sheet = StyleSheet.read("a{".repeat(100_000));

        assertTrue(
                sheet.problems().stream().anyMatch(problem -> problem.message().contains("200 deep")));
        assertEquals(201, sheet.allRules().size());
    }

    @Test
    void whatIsNotClosedIsSaidInWords() {
        assertEquals(
                List.of(
                        "This { is never closed; everything after it belongs to it.",
                        "This bracket is never closed; everything after it is swallowed."),
                StyleSheet.read("a { width: calc(1px").problems().stream()
                        .map(SyntaxProblem::message)
                        .toList());
    }

    @Test
    void namesWithEscapesAreTheNames() {
        StyleSheet sheet = StyleSheet.read("@FONT-face { FONT-Family: H\\61 rrow\\20 Text; --My-Own: 1 }");
        AtRule rule = (AtRule) sheet.rules().get(0);

        assertEquals("font-face", rule.name());
        assertEquals(
                "Harrow Text",
                rule.declaration("font-family").orElseThrow().value().get(0).value());
        assertTrue(rule.declaration("--My-Own").orElseThrow().isCustomProperty());
    }

    private String compared(List<String> sheets) throws IOException {
        String pairs = sheets.stream()
                .map(css -> "[\"" + base64(css) + "\",\"" + base64(written(StyleSheet.read(css))) + "\"]")
                .collect(Collectors.joining(",\n"));
        Path page = folder.resolve("page.html");
        Files.writeString(page, PAGE.replace("<script>", "<script>const pairs = [" + pairs + "];\n"));
        String dom = Tool.run(
                "chromium",
                "--headless",
                "--no-sandbox",
                "--disable-gpu",
                "--disable-background-networking",
                "--no-first-run",
                "--user-data-dir=" + folder.resolve("profile"),
                "--dump-dom",
                page.toUri());
        String from = dom.substring(dom.indexOf("<pre id=\"said\">") + 15);
        return from.substring(0, from.indexOf("</pre>"));
    }

    private static String base64(String text) {
        return Base64.getEncoder().encodeToString(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String written(StyleSheet sheet) {
        StringBuilder out = new StringBuilder();
        sheet.rules().forEach(rule -> write(sheet, rule, out));
        return out.toString();
    }

    private static void write(StyleSheet sheet, Node node, StringBuilder out) {
        if (node instanceof Declaration declaration) {
            out.append(sheet.text(), declaration.start(), declaration.valueStart());
            out.append(declaration.value().isEmpty() ? "" : closed(sheet, declaration.value()));
            out.append(declaration.important() ? "!important;" : ";");
        } else if (node instanceof Rule rule) {
            String before = closed(sheet, rule.prelude());
            out.append(rule instanceof AtRule at ? "@" + at.name() + " " + before : before);
            boolean block = rule instanceof QualifiedRule || ((AtRule) rule).hasBlock();
            out.append(block ? "{" : ";");
            rule.content().forEach(inner -> write(sheet, inner, out));
            out.append(block ? "}" : "");
        }
    }

    /** The tokens as they were written, with every string and bracket closed. */
    private static String closed(StyleSheet sheet, List<Token> tokens) {
        StringBuilder out = new StringBuilder(sheet.source(tokens));
        Deque<Token> open = new ArrayDeque<>();
        for (Token token : tokens) {
            if (token.opens()) {
                open.push(token);
            } else if (!open.isEmpty() && token.closes(open.peek())) {
                open.pop();
            }
        }
        if (!tokens.isEmpty()) {
            Token last = tokens.get(tokens.size() - 1);
            char quote = sheet.text().charAt(last.start());
            boolean whole = last.end() - last.start() > 1 && sheet.text().charAt(last.end() - 1) == quote;
            if (last.is(Kind.STRING) && !whole) {
                // A backslash at the end of the text escapes nothing.
                out.setLength(out.charAt(out.length() - 1) == '\\' ? out.length() - 1 : out.length());
                out.append(quote);
            } else if (last.is(Kind.URL) && !out.toString().endsWith(")")) {
                out.append(')');
            } else if (last.is(Kind.BAD_STRING)) {
                out.append('\n');
            }
        }
        while (!open.isEmpty()) {
            Kind kind = open.pop().kind();
            out.append(kind == Kind.OPEN_SQUARE ? ']' : kind == Kind.OPEN_CURLY ? '}' : ')');
        }
        return out.toString();
    }
}
