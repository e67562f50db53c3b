package app.unciala.font.report;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.Problem;
import app.unciala.font.face.UseMarks;
import app.unciala.font.file.FontReader;
import app.unciala.font.language.Exemplars;
import app.unciala.font.language.LanguageCoverage;
import app.unciala.font.language.NamedRanges;
import app.unciala.font.layout.position.Kerning;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class FaceDetailsTest {
    /** Prints what fontTools reads: features, vertical metrics, designer, programs, instances. */
    private static final String READ = """
            import sys
            from fontTools.ttLib import TTFont
            font = TTFont(sys.argv[1], lazy=True)
            features = set()
            for tag in ('GSUB', 'GPOS'):
                if tag in font and font[tag].table.FeatureList:
                    features |= {record.FeatureTag for record in font[tag].table.FeatureList.FeatureRecord}
            print(' '.join(sorted(features)))
            hhea, os2 = font['hhea'], font['OS/2']
            print(hhea.ascent, hhea.descent, hhea.lineGap, os2.sTypoAscender, os2.sTypoDescender, os2.sTypoLineGap,
                  os2.usWinAscent, os2.usWinDescent)
            print((font['name'].getDebugName(9) or '').strip())
            print('fvar' in font and len(font['fvar'].instances) or 0)
            """;

    static Stream<Path> fonts() {
        return RealFonts.everywhere();
    }

    @ParameterizedTest
    @MethodSource("fonts")
    void agreesWithFontToolsAndAWholeFaceDoesNotLookCutDown(Path path) {
        FaceDetails details = FaceReport.of(face(path)).details();
        String[] lines = Tool.python(READ, path).split("\n", -1);
        assertThat(String.join(" ", details.features())).isEqualTo(lines[0]);
        assertThat(details.metrics().byName().values().stream().map(String::valueOf))
                .containsExactly(lines[1].split(" "));
        assertThat(details.designer()).isEqualTo(lines[2]);
        assertThat(details.instances()).hasSize(Integer.parseInt(lines[3]));
        assertThat(details.cutDown()).isEmpty();
        assertThat(details.marks()).isEmpty();
    }

    @Test
    void aCutFaceLooksCutDownAndHintingIsSeen() {
        Sfnt lato = face(RealFonts.named("Lato-Regular.ttf"));
        FaceReport cut = FaceReport.of(
                Subsetter.subset(lato, SubsetPlan.of(Exemplars.of("de")).withoutHinting()));
        assertThat(cut.details().cutDown()).singleElement().asString().contains("U+0400");
        assertThat(cut.problems()).extracting(Problem::text).anyMatch(text -> text.startsWith("looks cut down"));
        assertThat(cut.details().hinting()).isEqualTo(Hinting.NONE);
        assertThat(FaceReport.of(lato).details().hinting()).isEqualTo(Hinting.INSTRUCTIONS);
        Sfnt cantarell = FontReader.read(RealFonts.cff()).faces().get(0);
        assertThat(Hinting.of(cantarell)).isEqualTo(Hinting.STEMS);
        assertThat(Hinting.of(Subsetter.subset(
                        cantarell, SubsetPlan.of(Exemplars.of("de")).withoutHinting())))
                .isEqualTo(Hinting.NONE);
    }

    @Test
    void aVariableFaceNamesItsPlaces() {
        FaceDetails inter =
                FaceReport.of(face(RealFonts.named("Inter.var.ttf"))).details();
        assertThat(inter.instances()).anySatisfy(instance -> {
            assertThat(instance.name()).isEqualTo("Semi Bold Italic");
            assertThat(instance.at()).containsEntry("wght", 600.0).containsEntry("slnt", -10.0);
        });
    }

    @ParameterizedTest
    @CsvSource(
            quoteCharacter = '`',
            value = {
                "1, Harrow Trial, TRIAL",
                "6, HarrowTrial-Bold, TRIAL",
                "4, Harrow Demo Bold, DEMO",
                "1, Harrow PERSONAL USE ONLY, PERSONAL_USE",
                "16, HarrowPersonalUse, PERSONAL_USE",
                "13, `Free for personal use. Buy a license for your shop.`, PERSONAL_USE",
                "0, `(c) 2020 A. Maker. Not for commercial use`, NOT_COMMERCIAL",
                "13, `This is a trial version for evaluation purposes only`, TRIAL",
                "10, Licensed for desktop use only, DESKTOP_ONLY",
                "13, `Non-commercial use`, NOT_COMMERCIAL",
                "13, `use of the typefaces for commercial and\nnoncommercial needs`, ",
                "13, `Free for non-commercial or commercial use`, ",
                "13, `Free for personal use and for commercial use`, ",
                "13, `For commercial use as well as for personal use`, ",
                "1, Demons of Industry, ",
                "1, Democrat, ",
                "4, Triale Sans, ",
                "13, `You may use it for any commercial purpose on the web.`, ",
                "10, `A demonstration of skill, made in a trial of strength`, "
            })
    void wordsThatLimitTheUseAreFoundWhereTheyMeanIt(int nameId, String text, UseMarks.Kind kind) {
        List<UseMarks.Mark> marks = UseMarks.in(new NameTable(List.of(new NameRecord(3, 1, 0x409, nameId, text))));
        if (kind == null) {
            assertThat(marks).isEmpty();
        } else {
            assertThat(marks).singleElement().satisfies(mark -> {
                assertThat(mark.kind()).isEqualTo(kind);
                assertThat(mark.source()).isEqualTo("name " + nameId);
            });
        }
    }

    @Test
    void aMarkIsAProblemOfTheFace() {
        Sfnt lato = face(RealFonts.named("Lato-Regular.ttf"));
        List<NameRecord> records = new ArrayList<>(NameTable.read(lato).records());
        records.add(new NameRecord(3, 1, 0x409, NameTable.DESCRIPTION, "For personal use only, ask for more."));
        FaceReport report = FaceReport.of(lato.with("name", NameWriter.write(records)));
        assertThat(report.problems().get(0)).satisfies(problem -> {
            assertThat(problem.severity()).isEqualTo(Problem.Severity.WARNING);
            assertThat(problem.table()).isEqualTo("name 10");
            assertThat(problem.text()).contains("personal use").contains("ask for more");
        });
    }

    @Test
    void languagesAreCoveredOrSayWhatTheyLack() {
        CmapTable cmap = CmapTable.read(face(RealFonts.named("Lohit-Devanagari.ttf")));
        SortedMap<String, BitSet> lacking = LanguageCoverage.lacking(cmap::has);
        assertThat(lacking).hasSizeGreaterThan(150);
        assertThat(lacking.get("hi")).isEqualTo(new BitSet());
        assertThat(lacking.get("de").isEmpty()).isTrue();
        BitSet greek = lacking.get("el");
        assertThat(greek.get('ω')).isTrue();
        assertThat(greek.get('Ω')).isTrue();
        assertThat(LanguageCoverage.name("pl")).isEqualTo("Polish");
        assertThat(NamedRanges.of("Latin-1 Supplement").cardinality()).isEqualTo(96);
        assertThat(NamedRanges.of("Greek").get('ω')).isTrue();
        assertThat(new TreeSet<>(NamedRanges.of("Cyrillic").stream().boxed().toList()))
                .contains((int) 'Ж');
    }

    @Test
    void kerningIsWhatHarfBuzzMovesByIt() {
        for (String name : new String[] {"Lato-Regular.ttf", "OpenSans-Regular.ttf", "EBGaramond12-Regular.otf"}) {
            Path path = RealFonts.named(name);
            Sfnt face = face(path);
            CmapTable cmap = CmapTable.read(face);
            Kerning kerning = Kerning.read(face);
            for (String pair : new String[] {"AV", "To", "Ty", "P.", "WA", "ll"}) {
                int kerned = kerning.between(cmap.glyph(pair.charAt(0)), cmap.glyph(pair.charAt(1)));
                String set = Tool.run("hb-shape", "--no-clusters", "--no-glyph-names", "--features=-liga", path, pair);
                String without =
                        Tool.run("hb-shape", "--no-clusters", "--no-glyph-names", "--features=-liga,-kern", path, pair);
                assertThat(advance(set) - advance(without))
                        .as(name + " " + pair)
                        .isEqualTo(kerned);
            }
        }
    }

    /** HarfBuzz splits the old table's kerning between both glyphs, so the line as a whole is measured. */
    private static int advance(String shaped) {
        return Pattern.compile("\\+(-?\\d+)")
                .matcher(shaped)
                .results()
                .mapToInt(advance -> Integer.parseInt(advance.group(1)))
                .sum();
    }

    private static Sfnt face(Path path) {
        return FontReader.read(RealFonts.bytes(path)).faces().get(0);
    }
}
