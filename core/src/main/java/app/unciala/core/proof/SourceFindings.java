package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.proof.DeclaredFace.Source;
import app.unciala.font.FontFormat;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The files of a face: what {@code format()} says of them, their order, and formats that no browser needs. */
final class SourceFindings {
    /** CSS Fonts 4, section 4.3.1: TrueType and OpenType are the same to browsers. */
    private static final Map<FontFormat, Set<String>> HINTS = Map.of(
            FontFormat.WOFF2, Set.of("woff2", "woff2-variations"),
            FontFormat.WOFF, Set.of("woff", "woff-variations"),
            FontFormat.TTF, Set.of("truetype", "opentype", "truetype-variations", "opentype-variations"),
            FontFormat.OTF, Set.of("truetype", "opentype", "truetype-variations", "opentype-variations"),
            FontFormat.COLLECTION, Set.of("collection"),
            FontFormat.EOT, Set.of("embedded-opentype"),
            FontFormat.SVG, Set.of("svg"));

    private static final Set<FontFormat> LEGACY = Set.of(FontFormat.EOT, FontFormat.SVG);

    private final StyleSheet sheet;
    private final Reference reference;
    private final List<Finding> found = new ArrayList<>();

    private SourceFindings(FontSheet fonts, Reference reference) {
        sheet = fonts.sheet();
        this.reference = reference;
    }

    static Stream<Finding> find(FontSheet fonts, Reference reference) {
        SourceFindings findings = new SourceFindings(fonts, reference);
        for (DeclaredFace face : fonts.faces()) {
            face.sources().forEach(findings::hint);
            findings.legacy(face);
            Map<Declaration, List<Source>> lists = face.sources().stream()
                    .collect(Collectors.groupingBy(Source::src, LinkedHashMap::new, Collectors.toList()));
            lists.values().forEach(findings::order);
        }
        return findings.found.stream();
    }

    private void hint(Source source) {
        Optional<FontFormat> format = format(source);
        if (source.hint().isEmpty() || format.isEmpty()) {
            return;
        }
        String hint = source.hint().get();
        if (!HINTS.getOrDefault(format.get(), Set.of()).contains(hint)) {
            String right = "format(\"" + format.get().cssHint() + "\")";
            found.add(Finding.at(
                            sheet,
                            source.hintStart(),
                            FindingKind.WRONG_FORMAT_HINT,
                            "The file is " + format.get().label() + ", and format() says “" + hint
                                    + "”: browsers that do not know that format pass over it, others load it for nothing.")
                    .fixedBy(
                            right,
                            new Edit(
                                    source.hintStart(),
                                    source.hintEnd(),
                                    "\"" + format.get().cssHint() + "\"")));
        }
    }

    /** Browsers take the first entry that they can read. */
    private void order(List<Source> list) {
        for (int i = 1; i < list.size(); i++) {
            int rank = rank(list.get(i));
            if (list.subList(0, i).stream().anyMatch(before -> rank(before) > rank)) {
                List<Source> sorted = list.stream()
                        .sorted(Comparator.comparingInt(this::rank))
                        .toList();
                Declaration src = list.get(0).src();
                String value = joined(sorted);
                found.add(Finding.at(
                                sheet,
                                list.get(i).start(),
                                FindingKind.FORMAT_ORDER,
                                "Browsers take the first entry they can read, so this smaller file is never loaded:"
                                        + " it must stand before the others.")
                        .fixedBy("src: " + value, new Edit(src.valueStart(), src.end(), value)));
                return;
            }
        }
    }

    private int rank(Source source) {
        if (source.url().isEmpty() || source.isInline()) {
            return 0;
        }
        return format(source)
                .map(format -> switch (format) {
                    case EOT -> 0;
                    case WOFF2 -> 1;
                    case WOFF -> 2;
                    case TTF, OTF, COLLECTION -> 3;
                    case SVG -> 4;
                })
                .orElse(3);
    }

    private void legacy(DeclaredFace face) {
        List<Source> old =
                face.sources().stream().filter(SourceFindings.this::isLegacy).toList();
        if (old.isEmpty()) {
            return;
        }
        Finding finding = Finding.at(
                sheet,
                old.get(0).start(),
                FindingKind.LEGACY_FORMAT,
                old.stream()
                                .map(source -> format(source).orElseThrow().label())
                                .distinct()
                                .collect(Collectors.joining(" and "))
                        + " is for browsers that have been out of use for years.");
        if (old.size() == face.sources().size()) {
            found.add(finding);
            return;
        }
        Map<Declaration, List<Source>> lists = face.sources().stream()
                .collect(Collectors.groupingBy(Source::src, LinkedHashMap::new, Collectors.toList()));
        List<Edit> edits = new ArrayList<>();
        List<String> left = new ArrayList<>();
        lists.forEach((src, list) -> {
            List<Source> kept =
                    list.stream().filter(source -> !isLegacy(source)).toList();
            if (kept.isEmpty()) {
                edits.add(Corrections.remove(sheet, src));
            } else {
                left.add(joined(kept));
                if (kept.size() < list.size()) {
                    edits.add(new Edit(src.valueStart(), src.end(), joined(kept)));
                }
            }
        });
        found.add(finding.fixedBy("src: " + String.join(", ", left), edits));
    }

    private boolean isLegacy(Source source) {
        return format(source).filter(LEGACY::contains).isPresent();
    }

    private String joined(List<Source> list) {
        return list.stream()
                .map(source -> sheet.text().substring(source.start(), source.end()))
                .collect(Collectors.joining(", "));
    }

    /** What the file is, where it is known; else what its name says, or the media type of an inline one. */
    private Optional<FontFormat> format(Source source) {
        if (source.isInline()) {
            String head = source.url().orElse("").toLowerCase(Locale.ROOT).replaceAll("[;,].*$", "");
            return Stream.of(FontFormat.values())
                    .filter(format -> head.endsWith("/" + format.key()) || head.endsWith("font-" + format.key()))
                    .findFirst();
        }
        return source.fileName().flatMap(name -> FileFindings.known(reference, name)
                .map(KnownFile::format)
                .or(() -> name.contains(".") ? FontFormat.promisedBy(name) : Optional.empty()));
    }
}
