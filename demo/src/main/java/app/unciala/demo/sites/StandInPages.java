package app.unciala.demo.sites;

import app.unciala.demo.DemoFont;
import app.unciala.demo.sites.StandIn.Served;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * What the stand-in hosts serve. One is right; each of the others has one of the faults that live sites have, which is
 * documented beside it.
 */
public final class StandInPages {
    /** The name and password of the staging host. */
    public static final String STAGING_SIGN_IN = "preview:long-stride";

    private static final String LEFTOVER = "<link rel=\"preconnect\" href=\"http://open-letters.example\">"
            + "<link rel=\"stylesheet\" href=\"http://open-letters.example/lanthorn.css\">";
    private static final String PACKS_SHEET = "<link rel=\"stylesheet\" href=\"type.css\">";

    private final Function<String, String> words;
    private final Function<String, Map<String, byte[]>> packs;

    private StandInPages(Function<String, String> words, Function<String, Map<String, byte[]>> packs) {
        this.words = words;
        this.packs = packs;
    }

    /**
     * All hosts.
     *
     * @param words what a site says, by its name
     * @param packs the files of the latest pack of a site, by its name; none if it has none
     */
    public static List<StandIn> all(Function<String, String> words, Function<String, Map<String, byte[]>> packs) {
        return new StandInPages(words, packs).all();
    }

    private List<StandIn> all() {
        return List.of(
                opalStreet(),
                copperline(),
                lanternRow(),
                openLetters(),
                tidewater(),
                northlight(),
                fernway("fernway.example"),
                fernway("fernway.staging-desk.example").wanting(STAGING_SIGN_IN),
                harborAndRye(),
                gannet(),
                sendAFile(),
                gannetBooking(),
                marlpit(),
                northlightShop(),
                readings(),
                archive());
    }

    private StandIn opalStreet() {
        return StandIn.of(
                        "opalstreet.example",
                        "",
                        Set.of(),
                        Map.of(
                                "",
                                        html(
                                                "Opal Street Books",
                                                PACKS_SHEET,
                                                "<p>Ask for the cat; it <em>knows</em>. <a href=\"visit\">Visit</a></p>"),
                                "visit", html("Visit", PACKS_SHEET, "<p>Open until the lamp is out.</p>")))
                .with(() -> packs.apply("Opal Street Books"));
    }

    /** Two files of the pack were uploaded under each other's name. */
    private StandIn copperline() {
        return StandIn.of(
                        "copperline.example",
                        "two files of the pack are at each other's addresses",
                        Set.of(),
                        Map.of(
                                "",
                                html(
                                        "Copperline",
                                        PACKS_SHEET,
                                        "<p>Wheels are trued <strong>on Fridays</strong>.</p>")))
                .with(() -> swapped(packs.apply("Copperline")));
    }

    /** The files of a pack, its first two fonts under each other's name. */
    private static Map<String, byte[]> swapped(Map<String, byte[]> pack) {
        List<String> fonts = pack.keySet().stream()
                .filter(path -> path.endsWith(".woff2"))
                .sorted()
                .toList();
        Map<String, byte[]> files = new TreeMap<>(pack);
        if (fonts.size() > 1) {
            files.put(fonts.get(0), pack.get(fonts.get(1)));
            files.put(fonts.get(1), pack.get(fonts.get(0)));
        }
        return files;
    }

    /**
     * The link to the style sheet of another host was left in when the own copy came, with a link that opens a connection to
     * it; on a second page it hides that the own copy fails. Running text has a preset class and an editor's own style here
     * and there, which beat the rule of the pack.
     */
    private StandIn lanternRow() {
        return StandIn.of(
                        "lanternrow.example",
                        "a style sheet of another host was left in, and hides that the own copy fails on a page",
                        Set.of("third-party", "insecure-url", "own-copy-broken", "duplicate-face"),
                        Map.of(
                                "",
                                html(
                                        "Lantern Row",
                                        PACKS_SHEET + link("builder.css") + LEFTOVER,
                                        "<p>Doors open <strong>at seven</strong>.</p>"
                                                + "<p class=\"has-serif-family\">The bar opens an hour before.</p>"
                                                + "<p style=\"font-family: Georgia, serif\">Bring a cushion. "
                                                + "<a href=\"season\">This season</a></p>"),
                                "builder.css",
                                css(".has-serif-family { font-family: Georgia, serif !important }"),
                                "season",
                                html(
                                        "This season",
                                        link("season.css") + LEFTOVER,
                                        "<p>Nine plays, and one that nobody has finished yet.</p>"),
                                "season.css",
                                css(face("Lanthorn", 400, "type/lanthorn.woff2")
                                        + "body { font-family: serif }\n"
                                        + "h1 { font-family: Lanthorn, serif; font-weight: 400 }")))
                .with(() -> packs.apply("Lantern Row"));
    }

    /** The other host, which lends fonts to whoever asks. */
    private static StandIn openLetters() {
        return StandIn.of(
                "open-letters.example",
                "",
                Set.of(),
                Map.of(
                        "lanthorn.css",
                        css(face("Lanthorn", 400, "http://open-letters.example/lanthorn.woff2")
                                + "h1 { font-family: Lanthorn, serif; font-weight: 400 }"),
                        "lanthorn.woff2",
                        font("Lanthorn-Regular.ttf")));
    }

    /** The name asked for has a word more than the one that is declared. */
    private StandIn tidewater() {
        return StandIn.of(
                "tidewater.example",
                "a family is asked for by a name that nothing declares",
                Set.of("undeclared-family"),
                Map.of(
                        "",
                        html("Tidewater Cooperative", link("style.css"), "<p>The auction begins at five.</p>"),
                        "style.css",
                        css(face("Ostrel", 400, "fonts/ostrel-regular.woff2")
                                + face("Ostrel", 700, "fonts/ostrel-bold.woff2")
                                + "body { font-family: \"Ostrel Text\", sans-serif }\n"
                                + "h1, h2 { font-family: Ostrel, sans-serif }"),
                        "fonts/ostrel-regular.woff2",
                        font("Ostrel-Regular.ttf"),
                        "fonts/ostrel-bold.woff2",
                        font("Ostrel-Bold.ttf")));
    }

    /** Each weight is declared as a family of its own, so that browsers make the bold one bolder. */
    private StandIn northlight() {
        return StandIn.of(
                "northlight.example",
                "each weight is a family of its own, so that the bold one is made bolder",
                Set.of("faked-bold"),
                Map.of(
                        "",
                        html("Northlight Museum", link("style.css"), "<p>The lamp room is open at dusk.</p>"),
                        "style.css",
                        css(
                                "@font-face { font-family: \"Ostrel Light\"; src: url(ostrel-light.woff2) format(\"woff2\") }\n"
                                        + "@font-face { font-family: \"Ostrel Bold\"; src: url(ostrel-bold.woff2) format(\"woff2\") }\n"
                                        + "body { font-family: \"Ostrel Light\", sans-serif }\n"
                                        + "h1 { font-family: \"Ostrel Bold\", sans-serif }\nh2 { font-weight: 400 }"),
                        "ostrel-light.woff2",
                        font("Ostrel-Light.ttf"),
                        "ostrel-bold.woff2",
                        font("Ostrel-Bold.ttf")));
    }

    /** Headings ask for a bold that nobody holds. */
    private StandIn fernway(String host) {
        return StandIn.of(
                        host,
                        "headings ask for a bold that was never supplied",
                        Set.of("faked-bold"),
                        Map.of("", html("Fernway", PACKS_SHEET, "<p>Bring shoes that you can walk in.</p>")))
                .with(() -> packs.apply("Fernway"));
    }

    /** Running text leans without an italic, and the theme's own property decides on the headings. */
    private StandIn harborAndRye() {
        return StandIn.of(
                "harborandrye.example",
                "running text has emphasis, and nobody supplied an italic; the theme's property sets the headings",
                Set.of("faked-italic"),
                Map.of(
                        "",
                        html(
                                "Harbor & Rye",
                                link("style.css") + link("theme.css"),
                                "<p>The rye is baked <em>twice</em> a week.</p>"),
                        "style.css",
                        css(face("Penmarrow", 400, "penmarrow-regular.woff2")
                                + face("Vellumine", 400, "vellumine-regular.woff2")
                                + "body { font-family: Penmarrow, serif }\n"
                                + "h1, h2 { font-family: Vellumine, serif; font-weight: 400 }"),
                        "penmarrow-regular.woff2",
                        font("Penmarrow-Regular.ttf"),
                        "theme.css",
                        css(":root { --theme-heading-font: Georgia, serif }\n"
                                + "body h1, body h2 { font-family: var(--theme-heading-font) }"),
                        "vellumine-regular.woff2",
                        font("Vellumine-Regular.ttf")));
    }

    /** The address of the bold is a link to share a file, which gives a page about it. */
    private StandIn gannet() {
        return StandIn.of(
                "gannetferries.example",
                "the address of a font is a link to share it, which gives a page",
                Set.of("share-link", "fallback", "third-party", "insecure-url"),
                Map.of(
                        "",
                        html("Gannet Ferries", link("style.css"), "<p>Dogs travel on deck.</p>"),
                        "style.css",
                        css(face("Gannet", 400, "gannet-regular.woff2")
                                + face("Gannet", 700, "http://send-a-file.example/file/d/gannet-bold/view")
                                + "body { font-family: Gannet, sans-serif }"),
                        "gannet-regular.woff2",
                        font("Gannet-Regular.ttf")));
    }

    private StandIn sendAFile() {
        return StandIn.of(
                "send-a-file.example",
                "",
                Set.of(),
                Map.of("file/d/gannet-bold/view", html("Gannet-Bold.woff2", "", "<p>Download this file.</p>")));
    }

    /** The folder of the fonts was renamed. */
    private StandIn gannetBooking() {
        return StandIn.of(
                "book.gannetferries.example",
                "the folder of a font was renamed, and its address gives nothing",
                Set.of("unreachable", "fallback"),
                Map.of(
                        "",
                        html("Gannet Ferries: booking", link("style.css"), "<p>Pay on board.</p>"),
                        "style.css",
                        css(face("Gannet", 400, "type/gannet-regular.woff2")
                                + face("Gannet", 700, "fonts/gannet-bold.woff2")
                                + "body { font-family: Gannet, sans-serif }"),
                        "fonts/gannet-bold.woff2",
                        font("Gannet-Bold.ttf")));
    }

    /** The host does not know the format. */
    private StandIn marlpit() {
        return StandIn.of(
                "marlpit.example",
                "the host sends a font as a file of no kind",
                Set.of("wrong-media-type"),
                Map.of(
                        "",
                        html("Marlpit", link("style.css"), "<p>Pallets are delivered on Mondays.</p>"),
                        "style.css",
                        css("@font-face { font-family: Marl; src: url(marl.woff2); font-stretch: 75% 100% }\n"
                                + "body { font-family: Marl, sans-serif }\nh1, h2 { font-weight: 400 }"),
                        "marl.woff2",
                        new Served(() -> StandInFonts.woff2("Marl-Variable.ttf"), "application/octet-stream")));
    }

    /** A rule for narrow windows asks for a name that nothing declares. */
    private StandIn northlightShop() {
        return StandIn.of(
                "shop.northlight.example",
                "on a phone only, a family is asked for by a name that nothing declares",
                Set.of("undeclared-family"),
                Map.of(
                        "",
                        html("Northlight Shop", link("style.css"), "<p>The catalogue weighs a kilogram.</p>"),
                        "style.css",
                        css(face("Penmarrow", 400, "penmarrow-regular.woff2")
                                + face("Skerry Display", 900, "skerry-black.woff2")
                                + "body { font-family: Penmarrow, serif }\nh2 { font-weight: 400 }\n"
                                + "h1 { font: 900 3rem/1.1 \"Skerry Display\", sans-serif }\n"
                                + "@media (max-width: 600px) { h1 { font-family: Skerry, sans-serif } }"),
                        "penmarrow-regular.woff2",
                        font("Penmarrow-Regular.ttf"),
                        "skerry-black.woff2",
                        font("SkerryDisplay-Black.ttf")));
    }

    /** Its text is built by a script, which a check of the server does not run: it finds no text at all. */
    private StandIn readings() {
        return StandIn.of(
                "readings.opalstreet.example",
                "its text is built by a script, so that the server finds none",
                Set.of(),
                Map.of(
                        "",
                        Served.text(
                                "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>Opal Street Readings</title>"
                                        + link("style.css")
                                        + "<div id=\"app\"></div><script src=\"app.js\"></script></html>",
                                "text/html"),
                        "app.js",
                        Served.text(
                                "document.getElementById('app').innerHTML = '<h1>Opal Street Readings</h1><p>"
                                        + escaped(words.apply("Opal Street Readings"))
                                                .replace("'", "\\'") + "</p>';",
                                "text/javascript"),
                        "style.css",
                        css(face("Osier", 400, "osier-regular.woff2") + "body { font-family: Osier, serif }"),
                        "osier-regular.woff2",
                        font("Osier-Regular.ttf")));
    }

    /** Somebody put a font there that the agency has never recorded. */
    private StandIn archive() {
        return StandIn.of(
                "archive.lanternrow.example",
                "a font is used that nobody recorded",
                Set.of(),
                Map.of(
                        "",
                        html("Lantern Row Archive", link("style.css"), "<p>Bills are kept flat and in the dark.</p>"),
                        "style.css",
                        css(face("Hollin", 400, "hollin-regular.woff2")
                                + face("Saltern", 400, "saltern.woff2")
                                + "body { font-family: Hollin, serif }\n"
                                + "h1, h2 { font-family: Saltern, serif; font-weight: 400 }"),
                        "hollin-regular.woff2",
                        font("Hollin-Regular.ttf"),
                        "saltern.woff2",
                        font(DemoFont.FOUND_ONLY + "-Regular.ttf")));
    }

    private static Served font(String fileName) {
        return new Served(() -> StandInFonts.woff2(fileName), "font/woff2");
    }

    private static Served css(String text) {
        return Served.text(text, "text/css");
    }

    private static String face(String family, int weight, String url) {
        return "@font-face { font-family: \"" + family + "\"; src: url(\"" + url
                + "\") format(\"woff2\"); font-weight: " + weight + "; font-display: swap }\n";
    }

    private static String link(String address) {
        return "<link rel=\"stylesheet\" href=\"" + address + "\">";
    }

    private Served html(String title, String head, String more) {
        return html(title, head, more, words.apply(title));
    }

    private static Served html(String title, String head, String more, String text) {
        return Served.text("""
                <!doctype html>
                <html lang="en">
                <head>
                <meta charset="utf-8">
                <meta name="viewport" content="width=device-width">
                <title>%1$s</title>
                %2$s
                <style>
                body { max-width: 40rem; margin: 4rem auto; padding: 0 1.5rem; line-height: 1.55; }
                h1 { font-size: 3rem; line-height: 1.1; }
                nav a { margin-right: 1rem; }
                </style>
                </head>
                <body>
                <nav><a href="./">Home</a></nav>
                <h1>%1$s</h1>
                <h2>Welcome</h2>
                <p>%3$s</p>
                %4$s
                </body>
                </html>
                """.formatted(escaped(title), head, escaped(text), more), "text/html");
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;");
    }
}
