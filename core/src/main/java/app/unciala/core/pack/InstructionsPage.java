package app.unciala.core.pack;

import app.unciala.core.pack.Instructions.Step;
import java.util.List;

/** The page of a pack that says what to do, each text with a button that copies it. */
final class InstructionsPage {
    private static final String SCRIPT = """
            document.querySelectorAll("button").forEach((button) => button.addEventListener("click", async () => {
              await navigator.clipboard.writeText(button.nextElementSibling.textContent);
              button.textContent = "Copied";
            }));
            """;

    private InstructionsPage() {}

    static String write(PackRequest request, List<Step> steps) {
        StringBuilder html =
                new StringBuilder("<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n");
        html.append("<meta name=\"viewport\" content=\"width=device-width\">\n<title>How to place the fonts of ");
        html.append(Markup.escaped(request.siteName())).append("</title>\n<style>\n");
        html.append("body { margin: 3rem auto; max-width: 44rem; padding: 0 2rem; font: 1rem/1.5 sans-serif; }\n");
        html.append(
                "li { margin: 1.5rem 0; }\npre { overflow: auto; max-height: 20rem; padding: 0.8rem; "
                        + "background: #f3eee4; white-space: pre-wrap; }\n</style>\n</head>\n<body>\n<h1>How to place the fonts of ");
        html.append(Markup.escaped(request.siteName())).append("</h1>\n<ol>\n");
        for (Step step : steps) {
            html.append("<li>").append(Markup.escaped(step.what()));
            if (!step.copy().isEmpty()) {
                html.append("\n<button type=\"button\">Copy</button>\n<pre>")
                        .append(Markup.escaped(step.copy()))
                        .append("</pre>");
            }
            html.append("</li>\n");
        }
        return html.append("</ol>\n<script>\n")
                .append(SCRIPT)
                .append("</script>\n</body>\n</html>\n")
                .toString();
    }
}
