package app.unciala.server.family;

import app.unciala.core.license.LicenseText;
import app.unciala.font.Problem;
import app.unciala.font.face.UseMarks.Mark;
import app.unciala.font.language.CharacterBlocks;
import app.unciala.font.language.CharacterBlocks.Block;
import app.unciala.font.language.LanguageCoverage;
import app.unciala.font.report.FaceDetails;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.stream.Collectors;

/**
 * What a stored file says of itself beyond what lists show: characters, languages, layout, metrics, and its own words on
 * license and use. Lengths are in font units, of which {@code unitsPerEm} make an em.
 *
 * @param languages those that CLDR describes and the file covers, by their English names
 * @param nearly those that it would cover with a few characters more, the nearest first
 * @param features the tags of layout features
 * @param metricsAgree whether lines come out equally high on every system
 * @param openLicense the SPDX identifier of the open license that it names, or empty
 * @param marks words that say it is a trial, for personal use, or the like
 * @param problems what is wrong with it, the worst first
 */
public record FileDetails(
        List<Block> characters,
        List<String> languages,
        List<Nearly> nearly,
        List<String> features,
        List<AxisRange> axes,
        List<NamedInstance> instances,
        int unitsPerEm,
        int lineHeight,
        List<Metric> metrics,
        boolean metricsAgree,
        String hinting,
        List<String> color,
        List<String> cutDown,
        String opticalSize,
        String designer,
        String foundry,
        String copyright,
        String trademark,
        String license,
        String licenseUrl,
        String openLicense,
        String embedding,
        List<String> marks,
        List<String> problems) {
    private static final int NEARLY = 10;

    /** A language that lacks only these characters. */
    public record Nearly(String language, String lacking) {}

    public record AxisRange(String tag, double min, double initial, double max) {}

    /** A named place of a variable font: its values by axis. */
    public record NamedInstance(String name, Map<String, Double> at) {}

    /** A value in the name by which it stands in the file's tables. */
    public record Metric(String name, int value) {}

    /** Reads them from a font. */
    static FileDetails of(Path font) {
        return of(FirstFace.of(font));
    }

    private static FileDetails of(Sfnt face) {
        FaceReport report = FaceReport.of(face);
        FaceDetails details = report.details();
        CmapTable cmap = CmapTable.read(face);
        SortedMap<String, BitSet> lacking = LanguageCoverage.lacking(cmap::has);
        return new FileDetails(
                CharacterBlocks.of(report.codePoints()),
                lacking.entrySet().stream()
                        .filter(entry -> entry.getValue().isEmpty())
                        .map(entry -> LanguageCoverage.name(entry.getKey()))
                        .sorted()
                        .toList(),
                nearly(lacking),
                List.copyOf(details.features()),
                report.axes().stream()
                        .map(axis -> new AxisRange(axis.tag(), axis.min(), axis.defaultValue(), axis.max()))
                        .toList(),
                details.instances().stream()
                        .map(instance -> new NamedInstance(instance.name(), instance.at()))
                        .toList(),
                HeadTable.read(face).unitsPerEm(),
                details.metrics().lineHeight(),
                details.metrics().byName().entrySet().stream()
                        .map(entry -> new Metric(entry.getKey(), entry.getValue()))
                        .toList(),
                details.metrics().agree(),
                details.hinting().words(),
                details.color(),
                details.cutDown(),
                details.opticalSize().map(size -> size + " pt").orElse(""),
                details.designer(),
                details.foundry(),
                report.copyright(),
                details.trademark(),
                report.license(),
                report.licenseUrl(),
                LicenseText.recognize(report.license(), report.licenseUrl())
                        .map(found -> found.license().spdx())
                        .orElse(""),
                report.embedding().words(),
                details.marks().stream().map(Mark::words).toList(),
                report.problems().stream().map(Problem::text).toList());
    }

    private static List<Nearly> nearly(SortedMap<String, BitSet> lacking) {
        List<Nearly> nearly = new ArrayList<>();
        lacking.forEach((tag, characters) -> {
            if (!characters.isEmpty() && characters.cardinality() <= NEARLY) {
                nearly.add(new Nearly(
                        LanguageCoverage.name(tag),
                        characters.stream().mapToObj(Character::toString).collect(Collectors.joining(" "))));
            }
        });
        nearly.sort(
                Comparator.comparingInt((Nearly language) -> language.lacking().length())
                        .thenComparing(Nearly::language));
        return nearly;
    }
}
