package app.unciala.server.statement;

import static org.springframework.web.util.HtmlUtils.htmlEscape;

import app.unciala.core.sentence.Sentences;
import app.unciala.server.flag.AskedRow.HeldView;
import app.unciala.server.flag.FlagService.FlagView;
import app.unciala.server.listing.CsvText;
import app.unciala.server.statement.StatementService.Statement;
import app.unciala.server.statement.StatementService.Use;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** Writes a statement as a page that prints well, and as CSV. */
final class StatementPage {
    private static final String STYLE = """
            :root { color-scheme: light }
            body { font: 15px/1.45 Georgia, serif; color: #221d18; max-width: 64em; margin: 2em auto; padding: 0 1.5em }
            h1 { font-size: 28px; margin: 0 } h2 { font-size: 20px; margin: 1.6em 0 .3em }
            p { margin: .3em 0 } .quiet { color: #62584c }
            table { border-collapse: collapse; width: 100%; font-size: 13px }
            th, td { text-align: left; vertical-align: top; padding: .35em .8em .35em 0; border-bottom: 1px solid #dccfb5 }
            td.digest { font: 11px/1.4 monospace; overflow-wrap: anywhere }
            tr, li { break-inside: avoid }
            @page { margin: 18mm } @media print { body { margin: 0; max-width: none; padding: 0 } }
            """;

    private StatementPage() {}

    static String html(Statement statement) {
        StringBuilder page = new StringBuilder();
        page.append("<!doctype html><html lang=\"en\"><head><meta charset=\"utf-8\"><title>")
                .append(htmlEscape("Fonts of " + statement.client()))
                .append("</title><style>")
                .append(STYLE)
                .append("</style></head><body><h1>")
                .append(htmlEscape("Fonts of " + statement.client()))
                .append("</h1><p class=\"quiet\">As of ")
                .append(Sentences.day(statement.day()))
                .append("</p>");
        statement.sites().forEach(site -> {
            page.append("<h2>").append(htmlEscape(site.name())).append("</h2><p class=\"quiet\">");
            page.append(htmlEscape(String.join(", ", site.domains()))).append("</p>");
            table(
                    page,
                    statement.uses().stream()
                            .filter(use -> use.site().equals(site.name()))
                            .toList());
        });
        if (statement.sites().isEmpty()) {
            page.append("<p>No site is recorded.</p>");
        }
        open(page, statement.open());
        return page.append("</body></html>").toString();
    }

    private static void table(StringBuilder page, List<Use> uses) {
        if (uses.isEmpty()) {
            page.append("<p>No face is asked for.</p>");
            return;
        }
        page.append("<table><thead><tr><th>Face</th><th>Domain</th><th>License</th><th>Proof</th><th>Files</th></tr>"
                + "</thead><tbody>");
        for (Use use : uses) {
            page.append("<tr><td>").append(htmlEscape(use.family() + " " + use.face()));
            page.append("<br><span class=\"quiet\">")
                    .append(htmlEscape(use.role()))
                    .append("</span></td><td>");
            page.append(htmlEscape(use.domain())).append("</td><td>").append(htmlEscape(verdict(use)));
            page.append("</td><td class=\"digest\">")
                    .append(htmlEscape(use.proof()))
                    .append("</td><td class=\"digest\">");
            page.append(use.files().stream()
                    .map(file -> htmlEscape(file.fileName() + " " + file.sha256()))
                    .collect(Collectors.joining("<br>")));
            page.append("</td></tr>");
        }
        page.append("</tbody></table>");
    }

    private static void open(StringBuilder page, List<FlagView> flags) {
        page.append("<h2>Open</h2>");
        if (flags.isEmpty()) {
            page.append("<p>Nothing is open.</p>");
            return;
        }
        page.append("<ul>");
        for (FlagView flag : flags) {
            page.append("<li>").append(htmlEscape(flag.title() + ". " + flag.reason()));
            if (flag.acceptedUntil() != null) {
                page.append(htmlEscape(
                        " Accepted until " + Sentences.day(flag.acceptedUntil()) + ": " + flag.acceptedReason()));
            }
            page.append("</li>");
        }
        page.append("</ul>");
    }

    private static String verdict(Use use) {
        return switch (use.verdict()) {
            case ALLOWED -> use.license() + (use.ends().isEmpty() ? "" : ", until " + use.ends());
            case NOT_STATED -> "Not stated: " + String.join("; ", use.reasons());
            case REFUSED -> "Not allowed: " + String.join("; ", use.reasons());
        };
    }

    static String csv(Statement statement) {
        List<List<String>> lines = new ArrayList<>();
        lines.add(List.of(
                "day", "client", "site", "domain", "role", "family", "face", "verdict", "license", "ends", "proof",
                "reasons", "files", "sha256"));
        for (Use use : statement.uses()) {
            lines.add(List.of(
                    statement.day().toString(),
                    statement.client(),
                    use.site(),
                    use.domain(),
                    use.role(),
                    use.family(),
                    use.face(),
                    use.verdict().name().toLowerCase(Locale.ROOT),
                    use.license(),
                    use.ends(),
                    use.proof(),
                    String.join("; ", use.reasons()),
                    use.files().stream().map(HeldView::fileName).collect(Collectors.joining("; ")),
                    use.files().stream().map(HeldView::sha256).collect(Collectors.joining("; "))));
        }
        return CsvText.of(lines);
    }
}
