package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.AtRule;
import app.unciala.core.css.syntax.StyleSheet.Rule;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.core.domain.SameSite;
import app.unciala.core.proof.DeclaredFace.Source;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Addresses of fonts and imported style sheets: how they are reached, and from whom. */
final class UrlFindings {
    private static final Pattern HOST = Pattern.compile("(?i)^(?:(https?):)?//(?:[^/?#@]*@)?([^/?#:]+)");

    private static final Pattern PLACEHOLDER = Pattern.compile("\\{\\{|<%|\\$\\{|\\[\\[|%[A-Z_]+%");
    private static final Set<String> MAY_PRECEDE = Set.of("charset", "import", "namespace");

    private final FontSheet fonts;
    private final StyleSheet sheet;
    private final Reference reference;
    private final List<Finding> found = new ArrayList<>();

    private UrlFindings(FontSheet fonts, Reference reference) {
        this.fonts = fonts;
        sheet = fonts.sheet();
        this.reference = reference;
    }

    static Stream<Finding> find(FontSheet fonts, Reference reference) {
        UrlFindings findings = new UrlFindings(fonts, reference);
        findings.importsFirst();
        fonts.rulesNamed("import").forEach(findings::imported);
        fonts.faces().forEach(face -> face.sources().forEach(findings::source));
        return findings.found.stream();
    }

    static Optional<String> host(String url) {
        Matcher matcher = HOST.matcher(url.strip());
        return matcher.find() ? Optional.of(matcher.group(2).toLowerCase(Locale.ROOT)) : Optional.empty();
    }

    /** Whether an address is relative, or on a host of the same registrable domain as the page. */
    static boolean isOwn(Reference reference, String url) {
        Optional<String> host = host(url);
        Optional<String> own = reference.servedAt().map(at -> at.getHost() == null ? "" : at.getHost());
        return host.isEmpty() || (own.isPresent() && SameSite.of(host.get(), own.get()));
    }

    private void source(Source source) {
        String url = source.url().orElse("").strip();
        if (source.url().isEmpty() || source.isInline() || reference.isReplaced(url)) {
            return;
        }
        transport(url, source.urlStart());
        if (url.isEmpty()
                || url.matches("(?i)^(file:|[a-z]:[\\\\/]).*")
                || url.contains("\\")
                || PLACEHOLDER.matcher(url).find()) {
            found.add(Finding.at(
                    sheet,
                    source.urlStart(),
                    FindingKind.UNRESOLVED_PATH,
                    url.isEmpty()
                            ? "This address is empty."
                            : "“" + url
                                    + "” leads nowhere on the web: it is a path of one computer, or an expression that"
                                    + " was not replaced."));
        }
        if (host(url).isPresent() && ShareLinks.isOne(url)) {
            found.add(
                    Finding.at(
                            sheet,
                            source.urlStart(),
                            FindingKind.SHARE_LINK,
                            "This is the link of a page about a file, not of the file: browsers get a page instead of a font."));
        } else if (!isOwn(reference, url) && !isLocal(url)) {
            found.add(thirdParty(source, url));
        }
    }

    private Finding thirdParty(Source source, String url) {
        Finding finding = Finding.at(
                sheet,
                source.urlStart(),
                FindingKind.THIRD_PARTY,
                "The font comes from " + host(url).orElse("") + ", which learns the address of every visitor.");
        return source.fileName()
                .flatMap(name -> FileFindings.known(reference, name))
                .map(file -> "\"" + file.name() + "\"")
                .map(own -> finding.fixedBy(own, new Edit(source.urlStart(), source.urlEnd(), own)))
                .orElse(finding);
    }

    /** How an address is reached: with {@code https:}, said explicitly. */
    private void transport(String url, int at) {
        int start = sheet.text().indexOf(url, at);
        if (start < 0 || host(url).isEmpty() || isLocal(url)) {
            return;
        }
        if (url.startsWith("//")) {
            found.add(Finding.at(
                            sheet,
                            at,
                            FindingKind.SCHEME_RELATIVE_URL,
                            "The address does not say https:, so it isn’t encrypted where the page isn’t.")
                    .fixedBy("https:" + url, Edit.insert(start, "https:")));
        } else if (url.regionMatches(true, 0, "http:", 0, 5)) {
            found.add(Finding.at(
                            sheet,
                            at,
                            FindingKind.INSECURE_URL,
                            "Browsers do not load a font with http: into a page with https:.")
                    .fixedBy("https:" + url.substring(5), new Edit(start, start + 5, "https:")));
        }
    }

    private static boolean isLocal(String url) {
        return host(url)
                .filter(host -> host.equals("localhost") || host.startsWith("127."))
                .isPresent();
    }

    private void imported(AtRule rule) {
        Optional<Token> address = rule.prelude().stream()
                .filter(token -> token.is(Kind.STRING) || token.is(Kind.URL))
                .findFirst();
        if (address.isEmpty()) {
            return;
        }
        String url = address.get().value().strip();
        transport(url, address.get().start());
        if (!isOwn(reference, url) && !isLocal(url)) {
            Finding finding = Finding.at(
                    sheet,
                    rule.start(),
                    FindingKind.THIRD_PARTY,
                    "A style sheet comes from " + host(url).orElse("")
                            + ", which learns the address of every visitor, and hides that an own copy fails.");
            found.add(
                    fonts.faces().isEmpty() || needsMore()
                            ? finding
                            : finding.fixedBy("Take out the import", Corrections.remove(sheet, rule)));
        }
    }

    /** Whether a rule leads with a family that is not declared here, and so may come with what is imported. */
    private boolean needsMore() {
        NearNames declared = new NearNames(fonts.declaredFamilies());
        return fonts.uses().stream()
                .flatMap(use -> use.families().stream().limit(1))
                .anyMatch(name -> !name.isSystem()
                        && !name.unknown()
                        && !name.isCssWide()
                        && declared.of(name.text()).isEmpty());
    }

    /** CSS Cascade 5, section 2: an import that stands after another rule is passed over. */
    private void importsFirst() {
        int insertAt = 0;
        boolean begun = false;
        for (Rule rule : sheet.rules()) {
            boolean may = rule instanceof AtRule at
                    && (MAY_PRECEDE.contains(at.name()) || (at.name().equals("layer") && !at.hasBlock()));
            if (!may) {
                begun = true;
            } else if (begun && rule instanceof AtRule at && at.name().equals("import")) {
                String text = sheet.text().substring(rule.start(), rule.end());
                found.add(Finding.at(
                                sheet,
                                rule.start(),
                                FindingKind.IMPORT_NOT_FIRST,
                                "An @import after other rules is passed over; it must stand before them.")
                        .fixedBy(
                                "Move it to the top",
                                List.of(
                                        Edit.insert(
                                                insertAt,
                                                (insertAt == 0 ? "" : "\n") + text + (insertAt == 0 ? "\n" : "")),
                                        Corrections.remove(sheet, rule))));
            } else if (!begun) {
                insertAt = rule.end();
            }
        }
    }
}
