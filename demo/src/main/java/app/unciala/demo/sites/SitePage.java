package app.unciala.demo.sites;

/** The home page of a stand-in site: a title, headings and running text that take their type from {@code type.css}. */
final class SitePage {
    private SitePage() {}

    static String write(String name, String text) {
        return """
                <!doctype html>
                <html lang="en">
                <head>
                <meta charset="utf-8">
                <meta name="viewport" content="width=device-width">
                <title>%1$s</title>
                <link rel="stylesheet" href="type.css">
                <style>
                body { max-width: 40rem; margin: 4rem auto; padding: 0 1.5rem; line-height: 1.55; }
                h1 { font-size: 3rem; line-height: 1.1; }
                nav a { margin-right: 1rem; }
                </style>
                </head>
                <body>
                <nav><a href="#">Home</a><a href="#">About</a><a href="#">Visit</a></nav>
                <h1>%1$s</h1>
                <h2>Welcome</h2>
                <p>%2$s</p>
                <p>Open <strong>every day but Monday</strong>, and <em>gladly</em> at other times by appointment.</p>
                </body>
                </html>
                """.formatted(name, text);
    }
}
