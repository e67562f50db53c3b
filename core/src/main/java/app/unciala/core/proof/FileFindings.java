package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.proof.DeclaredFace.Source;
import app.unciala.core.proof.Names.Name;
import app.unciala.font.Numbers;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** Faces as they are declared against the files that are there: found, held, allowed, and what they are said to be. */
final class FileFindings {
    private final StyleSheet sheet;
    private final Reference reference;
    private final List<KnownFile> files;
    private final List<Finding> found = new ArrayList<>();

    private FileFindings(FontSheet fonts, Reference reference) {
        sheet = fonts.sheet();
        this.reference = reference;
        files = reference.files().orElse(List.of());
    }

    static Stream<Finding> find(FontSheet fonts, Reference reference) {
        if (reference.files().isEmpty()) {
            return Stream.empty();
        }
        FileFindings findings = new FileFindings(fonts, reference);
        fonts.faces().forEach(findings::compare);
        return findings.found.stream();
    }

    /** The file of this name, as it stands in an address. */
    static Optional<KnownFile> known(Reference reference, String name) {
        String decoded = decoded(name);
        return reference.files().stream()
                .flatMap(List::stream)
                .filter(file -> file.name().equals(decoded))
                .findFirst();
    }

    private void compare(DeclaredFace face) {
        Optional<KnownFile> first = Optional.empty();
        for (Source source : face.sources()) {
            Optional<KnownFile> file = source.fileName().flatMap(name -> known(reference, name));
            if (reference.served() && file.isEmpty() && source.url().isPresent() && !source.isInline()) {
                unresolved(source);
            }
            first = first.isPresent() ? first : file;
        }
        if (first.isPresent()) {
            weight(face, first.get());
            style(face, first.get());
        }
        first.or(() -> ofFamily(face)).ifPresentOrElse(file -> allowed(face, file), () -> held(face));
    }

    private void unresolved(Source source) {
        String name = source.fileName().orElse("");
        boolean elsewhere =
                source.url().filter(url -> UrlFindings.host(url).isPresent()).isPresent();
        if (elsewhere && !UrlFindings.isOwn(reference, source.url().orElse(""))) {
            return;
        }
        Finding finding = Finding.at(
                sheet,
                source.urlStart(),
                FindingKind.UNRESOLVED_PATH,
                name.isEmpty() ? "This address names no file." : "There is no file “" + decoded(name) + "”.");
        Optional<String> near = near(decoded(name));
        found.add(near.map(file -> {
                    String url = source.url().orElse("");
                    String corrected = "\"" + url.substring(0, url.lastIndexOf(name)) + file + "\"";
                    return finding.fixedBy(corrected, new Edit(source.urlStart(), source.urlEnd(), corrected));
                })
                .orElse(finding));
    }

    /** The one file whose name differs in case, hyphens and spaces only, or by a letter. */
    private Optional<String> near(String name) {
        int dot = name.lastIndexOf('.');
        if (dot < 1) {
            return Optional.empty();
        }
        String extension = name.substring(dot).toLowerCase(Locale.ROOT);
        String plain = Names.plain(name);
        return files.stream()
                .map(KnownFile::name)
                .filter(file -> file.toLowerCase(Locale.ROOT).endsWith(extension))
                .filter(file -> Names.distance(Names.plain(file), plain) <= 1)
                .min(Comparator.comparingInt(file -> Names.distance(Names.plain(file), plain)));
    }

    private void weight(DeclaredFace face, KnownFile file) {
        Range declared = face.slot().weight();
        Range is = file.slot().weight();
        boolean same = is.isSingle() ? declared.contains(is.min()) : declared.equals(is) || isInside(declared, is);
        if (same
                && (!declared.isSingle()
                        || is.isSingle()
                        || face.rule().declaration("font-weight").isPresent())) {
            return;
        }
        String value = Numbers.plain(is.min()) + (is.isSingle() ? "" : " " + Numbers.plain(is.max()));
        found.add(Finding.at(
                        sheet,
                        face.rule()
                                .declaration("font-weight")
                                .map(StyleSheet.Declaration::start)
                                .orElse(face.rule().start()),
                        FindingKind.WEIGHT_MISMATCH,
                        "“" + file.name() + "” is " + file.slot().label() + " (" + value + "), and is declared as "
                                + declared + ".")
                .fixedBy("font-weight: " + value, Corrections.set(sheet, face.rule(), "font-weight", value)));
    }

    private static boolean isInside(Range inner, Range outer) {
        return outer.contains(inner.min()) && outer.contains(inner.max());
    }

    private void style(DeclaredFace face, KnownFile file) {
        boolean leans = file.slot().slope() != Slope.UPRIGHT;
        boolean declared = face.slot().slope() != Slope.UPRIGHT;
        if (leans == declared) {
            return;
        }
        String value = file.slot().slope().css();
        found.add(Finding.at(
                        sheet,
                        face.rule()
                                .declaration("font-style")
                                .map(StyleSheet.Declaration::start)
                                .orElse(face.rule().start()),
                        FindingKind.STYLE_MISMATCH,
                        "“" + file.name() + "” is " + file.slot().slope().key() + ", and is declared as "
                                + face.slot().slope().key() + ".")
                .fixedBy("font-style: " + value, Corrections.set(sheet, face.rule(), "font-style", value)));
    }

    private void allowed(DeclaredFace face, KnownFile file) {
        file.whyNot()
                .ifPresent(reason -> found.add(Finding.at(
                        sheet,
                        face.family().map(Name::start).orElse(face.rule().start()),
                        FindingKind.NOT_ALLOWED,
                        file.family() + " " + file.slot().label() + " may not be used here: " + reason + ".")));
    }

    /** The file that is held for a face, under whatever name. */
    private Optional<KnownFile> ofFamily(DeclaredFace face) {
        return face.family().flatMap(name -> files.stream()
                .filter(file -> Names.plain(file.family()).equals(Names.plain(name.text())))
                .filter(file -> file.slot().standsFor(face.slot()))
                .findFirst());
    }

    private void held(DeclaredFace face) {
        face.family()
                .filter(name -> files.stream()
                        .noneMatch(file -> Names.plain(file.family()).equals(Names.plain(name.text()))))
                .ifPresent(name -> found.add(Finding.at(
                        sheet, name.start(), FindingKind.NOT_HELD, "No file of “" + name.text() + "” is held.")));
    }

    private static String decoded(String name) {
        try {
            return URLDecoder.decode(name.replace("+", "%2B"), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return name;
        }
    }
}
