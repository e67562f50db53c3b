package app.unciala.font.face;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.Numbers;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Identities against two independent readers, on every font of ten Debian packages. */
class IdentityOracleTest {
    /** fontconfig's weights and the OpenType ones they stand for (fontconfig's documentation), linear in between. */
    private static final double[][] WEIGHTS = {
        {0, 100},
        {40, 200},
        {50, 300},
        {55, 350},
        {75, 380},
        {80, 400},
        {100, 500},
        {180, 600},
        {200, 700},
        {205, 800},
        {210, 900},
        {215, 1000}
    };

    /**
     * The only difference: width class 4 is 87.5 % by OpenType 1.9 ("OS/2", usWidthClass), which fontconfig, whose widths
     * are whole numbers, gives as 87.
     */
    private static final List<String> SEMI_CONDENSED = List.of("width: 87 there, 87.5 here");

    @Test
    void familyWeightWidthAndSlopeAgreeWithFcScan() {
        Map<String, List<String>> differences = new TreeMap<>();
        List<Path> fonts = RealFonts.everywhere().toList();
        for (Path path : fonts) {
            String said = Tool.run(
                    "fc-scan", "--format", "%{variable}|%{family}|%{weight}|%{width}|%{slant}|%{style}\\n", path);
            boolean isVariable = said.lines().anyMatch(line -> line.startsWith("True|"));
            String[] fields = said.lines()
                    .filter(line -> line.startsWith(isVariable ? "True|" : "False|"))
                    .findFirst()
                    .orElseThrow()
                    .split("\\|");
            FaceIdentity identity = identity(path);
            Slot slot = identity.slot();
            List<String> different = new ArrayList<>();
            compare(different, "family", withDesignSize(fields[1].split(",")[0], path), identity.family());
            compare(different, "weight", weights(fields[2]), slot.weight().toString());
            compare(different, "width", fields[3], slot.width().toString());
            compare(different, "sloped", !fields[4].equals("0"), slot.slope() != Slope.UPRIGHT);
            if (!different.isEmpty()) {
                differences.put(path.getFileName().toString(), different);
            }
        }
        assertThat(fonts).hasSizeGreaterThan(60);
        assertThat(differences).hasSize(8).allSatisfy((font, said) -> {
            assertThat(font).startsWith("DejaVuS").contains("Condensed");
            assertThat(said).isEqualTo(SEMI_CONDENSED);
        });
    }

    /** The faces for 8 and for 12 points say so in name 17, and are families of their own by name 1. */
    private static String withDesignSize(String family, Path font) {
        Matcher sized = Pattern.compile("EBGaramond(08|12)-.*")
                .matcher(font.getFileName().toString());
        return sized.matches() ? family + " " + sized.group(1) : family;
    }

    private static void compare(List<String> different, String what, Object theirs, Object ours) {
        if (!theirs.equals(ours)) {
            different.add(what + ": " + theirs + " there, " + ours + " here");
        }
    }

    private static String weights(String said) {
        String[] ends = said.replaceAll("[\\[\\]]", "").split(" ");
        double min = openType(Double.parseDouble(ends[0]));
        double max = openType(Double.parseDouble(ends[ends.length - 1]));
        return new Range(min, max).toString();
    }

    private static double openType(double fontconfig) {
        for (int i = 1; i < WEIGHTS.length; i++) {
            if (fontconfig <= WEIGHTS[i][0]) {
                double share = (fontconfig - WEIGHTS[i - 1][0]) / (WEIGHTS[i][0] - WEIGHTS[i - 1][0]);
                return Math.round(WEIGHTS[i - 1][1] + share * (WEIGHTS[i][1] - WEIGHTS[i - 1][1]));
            }
        }
        return 1000;
    }

    /** A line for each font: names 16, 1, 17, 2, version, weight and width class, style bits, axes, glyphs, code points. */
    private static final String READ = """
            import sys
            from fontTools.ttLib import TTFont
            for path in sys.argv[1:]:
                font = TTFont(path, lazy=True); name, os2 = font['name'], font['OS/2']
                axes = ' '.join(f'{a.axisTag}={a.minValue:g}..{a.maxValue:g}' for a in font['fvar'].axes) if 'fvar' in font else ''
                print('|'.join(str(v) for v in (name.getDebugName(16) or '', name.getDebugName(1), name.getDebugName(17) or '',
                    name.getDebugName(2), name.getDebugName(5), os2.usWeightClass, os2.usWidthClass, os2.fsSelection & 0x201,
                    axes, font['maxp'].numGlyphs, sum(1 for g in font.getBestCmap().values() if g != '.notdef'), os2.fsType)))
            """;

    @Test
    void namesClassesAxesAndCountsAgreeWithFontTools() {
        List<Path> fonts = RealFonts.everywhere().toList();
        List<String> lines = Tool.python(READ, fonts.toArray()).lines().toList();
        assertThat(lines).hasSameSizeAs(fonts);
        for (int i = 0; i < fonts.size(); i++) {
            String[] fields = lines.get(i).split("\\|", -1);
            FaceReport report = FaceReport.of(face(fonts.get(i)));
            FaceIdentity identity = report.identity();
            Slot slot = identity.slot();
            String name = fonts.get(i).getFileName().toString();
            if (fields[0].isEmpty()) {
                assertThat(fields[1]).as(name).startsWith(identity.family());
                assertThat(identity.subfamily()).as(name).isEqualTo(fields[3]);
            } else {
                assertThat(identity.family()).as(name).isEqualTo(withDesignSize(fields[0], fonts.get(i)));
                assertThat(identity.subfamily()).as(name).isEqualTo(fields[2]);
            }
            assertThat(report.version()).as(name).isEqualTo(fields[4].strip());
            assertThat(slot.weight().contains(Double.parseDouble(fields[5])))
                    .as(name)
                    .isTrue();
            assertThat(slot.width().contains(StyleNames.widthOfClass(Integer.parseInt(fields[6]))))
                    .as(name)
                    .isTrue();
            assertThat(slot.slope() != Slope.UPRIGHT).as(name).isEqualTo(!fields[7].equals("0"));
            StringBuilder axes = new StringBuilder();
            report.axes().forEach(axis -> axes.append(axes.isEmpty() ? "" : " ")
                    .append(axis.tag())
                    .append('=')
                    .append(Numbers.plain(axis.min()))
                    .append("..")
                    .append(Numbers.plain(axis.max())));
            assertThat(axes.toString()).as(name).isEqualTo(fields[8]);
            assertThat(report.glyphs()).as(name).isEqualTo(Integer.parseInt(fields[9]));
            assertThat(report.codePoints()).as(name).hasSize(Integer.parseInt(fields[10]));
        }
    }

    private static FaceIdentity identity(Path path) {
        return FaceIdentifier.identify(face(path));
    }

    private static Sfnt face(Path path) {
        return FontReader.read(RealFonts.bytes(path)).faces().get(0);
    }
}
