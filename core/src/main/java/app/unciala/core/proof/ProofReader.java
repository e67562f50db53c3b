package app.unciala.core.proof;

import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Reads a style sheet, or the style elements of a piece of HTML, for what is wrong with its fonts. */
public final class ProofReader {
    /** One correction may uncover the next; more rounds than this no style sheet needs. */
    private static final int ROUNDS = 12;

    private static final Set<FindingKind> REMOVING = EnumSet.of(FindingKind.UNUSED_FACE, FindingKind.DUPLICATE_FACE);

    private ProofReader() {}

    /**
     * What was found, in the order of the text.
     *
     * @param fixed the text with every correction made that could be made
     */
    public record Proof(List<Finding> findings, String fixed) {}

    /** What a style sheet names, so that it can be looked up: family names, and file names as they stand in addresses. */
    public record Named(Set<String> families, Set<String> files) {}

    /** Reads a style sheet or HTML; any text may be given. Places are those in the text. */
    public static Proof read(String css, Reference reference) {
        List<Finding> findings = findings(css, reference);
        String fixed = css;
        List<Finding> left = findings;
        for (int round = 0; round < ROUNDS; round++) {
            List<List<Edit>> edits = edits(left, false);
            List<List<Edit>> next = edits.isEmpty() ? edits(left, true) : edits;
            if (next.isEmpty()) {
                break;
            }
            fixed = Edit.apply(fixed, next);
            left = findings(fixed, reference);
        }
        return new Proof(findings, fixed);
    }

    /** The corrections; a rule is taken out only when nothing is left that may turn it into one that is needed. */
    private static List<List<Edit>> edits(List<Finding> findings, boolean removing) {
        return findings.stream()
                .filter(finding -> removing == REMOVING.contains(finding.kind()))
                .map(Finding::edits)
                .filter(edits -> !edits.isEmpty())
                .toList();
    }

    /** What a style sheet names. */
    public static Named named(String css) {
        FontSheet fonts = FontSheet.read(StyleElements.only(css));
        return new Named(
                Set.copyOf(fonts.declaredFamilies()),
                fonts.faces().stream()
                        .flatMap(face -> face.sources().stream())
                        .flatMap(source -> source.fileName().stream())
                        .collect(Collectors.toSet()));
    }

    private static List<Finding> findings(String css, Reference reference) {
        FontSheet fonts = FontSheet.read(StyleElements.only(css));
        return Stream.of(
                        SyntaxFindings.find(fonts, reference),
                        TypographicQuotes.find(fonts),
                        NameFindings.find(fonts, reference),
                        FaceFindings.find(fonts, reference),
                        Asked.find(fonts),
                        SourceFindings.find(fonts, reference),
                        UrlFindings.find(fonts, reference),
                        FileFindings.find(fonts, reference))
                .flatMap(found -> found)
                .distinct()
                .sorted(Comparator.comparingInt(Finding::line)
                        .thenComparingInt(Finding::column)
                        .thenComparing(Finding::kind))
                .toList();
    }
}
