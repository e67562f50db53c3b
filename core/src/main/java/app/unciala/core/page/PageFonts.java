package app.unciala.core.page;

import app.unciala.core.page.PageFaces.PageFace;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.Problem;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.sanitizer.Sanitizer;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import com.google.common.hash.Hashing;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The font files that a page needs, each fetched once and read by our own engine. */
final class PageFonts {
    private static final int MOST = 300;
    private static final String TOO_MANY = "more than " + MOST + " fonts are not read of one page";

    private final Resources resources;
    private final String page;
    private final Map<Resource, FontFile> opened;
    private final Map<String, Tried> byUrl = new LinkedHashMap<>();

    /** The fonts of a page; {@code opened} keeps those that were read, for other pages. */
    PageFonts(Resources resources, String page, Map<Resource, FontFile> opened) {
        this.resources = resources;
        this.page = page;
        this.opened = opened;
    }

    /** A font that browsers take, with the address at the end of all redirects. */
    record Loaded(String at, FontFormat format, CmapTable characters, byte[] bytes) {
        boolean has(int codePoint) {
            return characters.has(codePoint);
        }
    }

    /** What became of an address: a font, or why there is none. */
    record Tried(String url, Resource answer, Optional<Loaded> font, Failure failure, String why) {}

    /** Why a file cannot be used. */
    enum Failure {
        NONE,
        UNREACHABLE,
        NOT_A_FONT,
        OTHER_ORIGIN,
        MIXED_CONTENT,
        FORMAT,
        REFUSED
    }

    /** The first file of a face that can be used. */
    Optional<Loaded> loaded(PageFace face) {
        for (String url : face.urls()) {
            Optional<Loaded> font = tried(url).font();
            if (font.isPresent()) {
                return font;
            }
        }
        return Optional.empty();
    }

    /** Why no file of a face can be used, by its first. */
    String why(PageFace face) {
        return face.urls().stream().findFirst().map(url -> tried(url).why()).orElse("it has no file");
    }

    /** All that was fetched, in the order of asking. */
    List<Tried> all() {
        return List.copyOf(byUrl.values());
    }

    private Tried tried(String url) {
        Tried known = byUrl.get(url);
        if (known == null) {
            known = byUrl.size() < MOST
                    ? fetched(url)
                    : failed(url, Resource.failed(url, TOO_MANY), Failure.UNREACHABLE, TOO_MANY);
            byUrl.put(url, known);
        }
        return known;
    }

    private Tried fetched(String url) {
        if (Addresses.isMixed(page, url)) {
            return failed(url, Resource.failed(url, Addresses.MIXED), Failure.MIXED_CONTENT, Addresses.MIXED);
        }
        Resource answer = Addresses.isInline(url) ? inline(url) : resources.get(url, Use.FONT);
        if (!answer.isFound()) {
            return failed(url, answer, Failure.UNREACHABLE, answer.why());
        }
        if (!mayBeUsed(answer)) {
            return failed(
                    url,
                    answer,
                    Failure.OTHER_ORIGIN,
                    "it comes from another origin without Access-Control-Allow-Origin, and browsers do not use it");
        }
        return read(url, answer);
    }

    private static Tried failed(String url, Resource answer, Failure failure, String why) {
        return new Tried(url, answer, Optional.empty(), failure, why);
    }

    /** Fonts of other origins need their host's consent (CSS Fonts 4, section 4.8.2). */
    private boolean mayBeUsed(Resource answer) {
        String origin = Addresses.origin(answer.url());
        String own = Addresses.origin(page);
        return origin.isEmpty()
                || own.isEmpty()
                || origin.equals(own)
                || answer.header("access-control-allow-origin")
                        .filter(said -> said.strip().equals("*") || said.strip().equalsIgnoreCase(own))
                        .isPresent();
    }

    private Tried read(String url, Resource answer) {
        try {
            FontFile file = opened.get(answer);
            if (file == null) {
                file = FontReader.read(answer.bytes());
                opened.put(answer, file);
            }
            if (Set.of(FontFormat.EOT, FontFormat.SVG).contains(file.format())) {
                return failed(
                        url,
                        answer,
                        Failure.FORMAT,
                        "no browser of today takes " + file.format().label());
            }
            Sfnt face = file.faces().get(0);
            Optional<Problem> refusal = Sanitizer.of(face).stream().findFirst();
            if (refusal.isPresent()) {
                return failed(
                        url,
                        answer,
                        Failure.REFUSED,
                        refusal.get().table().strip() + " " + refusal.get().text());
            }
            Loaded font = new Loaded(answer.url(), file.format(), CmapTable.read(face), answer.bytes());
            return new Tried(url, answer, Optional.of(font), Failure.NONE, "");
        } catch (FontException e) {
            return failed(url, answer, Failure.NOT_A_FONT, isPage(answer) ? "it is a web page" : e.getMessage());
        }
    }

    /** Whether there is a page, such as one to sign in, where a font should be. */
    private static boolean isPage(Resource answer) {
        String start = new String(answer.bytes(), 0, Math.min(512, answer.bytes().length), StandardCharsets.ISO_8859_1)
                .strip()
                .toLowerCase(Locale.ROOT);
        return start.startsWith("<!doctype html") || start.startsWith("<html") || start.contains("<head");
    }

    private static Resource inline(String url) {
        int comma = url.indexOf(',');
        if (comma < 0) {
            return Resource.failed("data:", "the address has no data");
        }
        String data = url.substring(comma + 1);
        try {
            byte[] bytes = url.substring(0, comma).toLowerCase(Locale.ROOT).endsWith(";base64")
                    ? Base64.getMimeDecoder().decode(unescaped(data))
                    : unescaped(data);
            return new Resource(nameOfInline(url, bytes), 200, Map.of(), bytes, Optional.empty());
        } catch (IllegalArgumentException e) {
            return Resource.failed("data:", "the data cannot be decoded");
        }
    }

    /** A data URL is too long to be told: its media type with the beginning of the SHA-256 of its bytes stands for it. */
    private static String nameOfInline(String url, byte[] bytes) {
        String type = url.substring(0, Math.min(url.indexOf(','), 40)).replaceAll("(?i);base64$", "");
        String digest = Hashing.sha256().hashBytes(bytes).toString();
        return type + ";sha256=" + digest.substring(0, 16);
    }

    private static byte[] unescaped(String text) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '%' && i + 2 < text.length()) {
                out.write(Integer.parseInt(text.substring(i + 1, i + 3), 16));
                i += 2;
            } else {
                out.write(c);
            }
        }
        return out.toByteArray();
    }
}
