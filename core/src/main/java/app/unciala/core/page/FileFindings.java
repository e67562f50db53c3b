package app.unciala.core.page;

import app.unciala.core.page.PageDocument.Preload;
import app.unciala.core.page.PageFaces.PageFace;
import app.unciala.core.page.PageFinding.Kind;
import app.unciala.core.page.PageFonts.Failure;
import app.unciala.core.page.PageFonts.Loaded;
import app.unciala.core.page.PageFonts.Tried;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.proof.ShareLinks;
import app.unciala.font.FontFormat;
import com.google.common.hash.Hashing;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The way to the font files of a page, and what is declared or fetched for nothing. */
final class FileFindings {
    private final String page;
    private final OwnHosts own;
    private final List<PageFinding> found = new ArrayList<>();

    private FileFindings(String page, OwnHosts own) {
        this.page = page;
        this.own = own;
    }

    static Stream<PageFinding> find(
            String page, PageFaces faces, PageFonts fonts, PageDocument document, List<Run> runs, OwnHosts own) {
        FileFindings findings = new FileFindings(page, own);
        fonts.all().forEach(findings::look);
        findings.twice(faces, fonts);
        Set<String> given = runs.stream()
                .flatMap(run -> run.given().stream())
                .flatMap(one -> one.url().stream())
                .collect(Collectors.toSet());
        Set<String> painted = fonts.all().stream()
                .filter(tried ->
                        tried.font().filter(font -> given.contains(font.at())).isPresent())
                .map(Tried::url)
                .collect(Collectors.toSet());
        // A page without text may get it from its scripts: nobody can say then what is not used.
        if (!runs.isEmpty()) {
            findings.unused(faces, fonts, painted);
            findings.preloads(document, painted);
        }
        findings.brokenCopies(faces, fonts, runs);
        return findings.found.stream();
    }

    private void look(Tried tried) {
        String url = shown(tried.url());
        if (tried.failure() != Failure.NONE) {
            boolean share = ShareLinks.isOne(tried.url());
            Kind kind =
                    switch (tried.failure()) {
                        case UNREACHABLE -> share ? Kind.SHARE_LINK : Kind.UNREACHABLE;
                        case NOT_A_FONT -> share ? Kind.SHARE_LINK : Kind.NOT_A_FONT;
                        case OTHER_ORIGIN -> share ? Kind.SHARE_LINK : Kind.OTHER_ORIGIN;
                        case MIXED_CONTENT -> Kind.MIXED_CONTENT;
                        case FORMAT -> Kind.UNUSABLE_FORMAT;
                        case REFUSED -> Kind.REFUSED_FONT;
                        case NONE -> throw new IllegalStateException();
                    };
            String said = kind == Kind.SHARE_LINK ? "it is a link to share a file, which gives a page" : tried.why();
            add(
                    kind,
                    "The font at " + url + " cannot be used: " + said + ".",
                    kind == Kind.MIXED_CONTENT
                            ? Optional.of(tried.url().replaceFirst("(?i)^http:", "https:"))
                            : Optional.empty());
        }
        if (Addresses.isInline(tried.url())) {
            return;
        }
        Resource answer = tried.answer();
        ContactFindings.fetched(page, answer.url(), "font", own).ifPresent(found::add);
        boolean another = !Addresses.origin(tried.url()).equals(Addresses.origin(page));
        if (!Addresses.isSecure(page) && tried.url().startsWith("http:") && another && !isLocal(tried.url())) {
            add(
                    Kind.INSECURE_URL,
                    url + " comes over http:, where anybody on the way can change it.",
                    Optional.empty());
        }
        tried.font().ifPresent(font -> delivery(font, answer, url));
    }

    private void delivery(Loaded font, Resource answer, String url) {
        if (!answer.url().startsWith("http")) {
            return;
        }
        String type = answer.mediaType();
        if (!type.equals(font.format().mediaType()) && !isKnownType(type)) {
            add(
                    Kind.WRONG_MEDIA_TYPE,
                    url + " is sent as " + (type.isEmpty() ? "no media type" : type) + ", and is "
                            + font.format().label() + ".",
                    Optional.of("Content-Type: " + font.format().mediaType()));
        }
        boolean packed = font.format() == FontFormat.WOFF2 || font.format() == FontFormat.WOFF;
        if (!packed && answer.header("content-encoding").isEmpty()) {
            add(
                    Kind.NOT_COMPRESSED,
                    url + " is sent as it is, " + font.bytes().length / 1000 + " kB; WOFF 2 is a fraction of that.",
                    Optional.empty());
        }
        boolean kept = answer.header("cache-control").isPresent()
                || answer.header("expires").isPresent()
                || answer.header("etag").isPresent()
                || answer.header("last-modified").isPresent();
        if (!kept) {
            add(
                    Kind.NO_CACHING,
                    url + " says nothing of how long it may be kept, and is fetched again.",
                    Optional.empty());
        }
    }

    private static boolean isKnownType(String type) {
        return type.startsWith("font/")
                || type.startsWith("application/font-")
                || type.startsWith("application/x-font-")
                || type.equals("application/vnd.ms-opentype");
    }

    /** The same bytes under two addresses, and two rules for one face. */
    private void twice(PageFaces faces, PageFonts fonts) {
        Map<String, String> byBytes = new HashMap<>();
        for (Tried tried : fonts.all()) {
            if (tried.font().isPresent() && !Addresses.isInline(tried.url())) {
                String before = byBytes.putIfAbsent(
                        Hashing.sha256().hashBytes(tried.font().get().bytes()).toString(), tried.url());
                if (before != null) {
                    add(
                            Kind.DUPLICATE_FACE,
                            shown(tried.url()) + " is the same file as " + shown(before) + "; it is fetched twice.",
                            Optional.empty());
                }
            }
        }
        Set<String> declared = new HashSet<>();
        for (PageFace face : faces.all()) {
            String key = face.family().toLowerCase(Locale.ROOT) + " "
                    + face.slot().key() + " "
                    + face.characters().map(Object::toString).orElse("");
            if (!declared.add(key)) {
                add(
                        Kind.DUPLICATE_FACE,
                        face.family() + " " + face.slot().label() + " is declared again ("
                                + shown(face.rule().url()) + ", line "
                                + face.rule().line()
                                + "); the later rule counts.",
                        Optional.empty());
            }
        }
    }

    /** Faces whose files failed are told of by that. */
    private void unused(PageFaces faces, PageFonts fonts, Set<String> painted) {
        Set<String> failed = fonts.all().stream()
                .filter(tried -> tried.failure() != Failure.NONE)
                .map(Tried::url)
                .collect(Collectors.toSet());
        for (PageFace face : faces.all()) {
            boolean used = face.urls().stream().anyMatch(url -> painted.contains(url) || failed.contains(url));
            if (face.characters().isEmpty() && !used) {
                add(
                        Kind.UNUSED_FACE,
                        face.family() + " " + face.slot().label() + " is declared ("
                                + shown(face.rule().url()) + ", line "
                                + face.rule().line()
                                + "), and no text of the page is shown in it.",
                        Optional.empty());
            }
        }
    }

    private void preloads(PageDocument document, Set<String> painted) {
        for (Preload preload : document.preloads()) {
            if (preload.as().equals("font")) {
                String url =
                        Addresses.resolved(preload.address(), document.base()).orElse(preload.address());
                if (!painted.contains(url)) {
                    add(
                            Kind.UNUSED_PRELOAD,
                            shown(url) + " is preloaded, and no text of the page is shown in it.",
                            Optional.empty());
                } else if (!preload.crossOrigin()) {
                    add(
                            Kind.UNUSED_PRELOAD,
                            shown(url) + " is preloaded without crossorigin, and so is fetched twice.",
                            Optional.of("<link rel=\"preload\" as=\"font\" href=\"" + preload.address()
                                    + "\" crossorigin>"));
                }
            }
        }
    }

    /**
     * Faces whose own files fail while a third-party host's file of the same family is shown, which hides it. Files that the
     * page has not asked for, as another rule comes first, are asked for here.
     */
    private void brokenCopies(PageFaces faces, PageFonts fonts, List<Run> runs) {
        Map<String, String> others = new HashMap<>();
        runs.stream().flatMap(run -> run.given().stream()).forEach(given -> given.url()
                .filter(url -> own.isThirdParty(page, url))
                .ifPresent(url -> others.putIfAbsent(given.family().toLowerCase(Locale.ROOT), url)));
        for (PageFace face : faces.all()) {
            String other = others.get(face.family().toLowerCase(Locale.ROOT));
            boolean isOwn = !face.urls().isEmpty()
                    && face.urls().stream().noneMatch(url -> Addresses.isInline(url) || own.isThirdParty(page, url));
            if (other != null && isOwn && fonts.loaded(face).isEmpty()) {
                add(
                        Kind.OWN_COPY_BROKEN,
                        "The site’s own copy of " + face.family() + " "
                                + face.slot().label() + " can’t be used ("
                                + face.urls().get(0) + ": " + fonts.why(face) + "); visitors see the one from "
                                + Addresses.host(other) + " instead.",
                        Optional.empty());
            }
        }
    }

    private static boolean isLocal(String url) {
        String host = Addresses.host(url);
        return host.equals("localhost") || host.startsWith("127.") || host.equals("[::1]");
    }

    private static String shown(String url) {
        return Addresses.isInline(url) ? "a data URL" : url;
    }

    private void add(Kind kind, String message, Optional<String> fix) {
        found.add(PageFinding.of(kind, message, fix));
    }
}
