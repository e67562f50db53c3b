package app.unciala.font.cff;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.Problem;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.testing.Tool;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Charstrings that keep to the rules and that break them, each as the letter A of a font. What we say of a font is in the
 * name of its file, and e2e/tests/engine.spec.ts asks Chromium whether it is true.
 */
class CharStringRulesTest {
    private static final Path FOLDER = Path.of("target", "damaged");
    /** How a charstring writes the number 0. */
    private static final int ZERO = 139;

    /** The operators by name, as they are written. */
    private static final Map<String, byte[]> OPERATORS = Arrays.stream(("hstem 01, vstem 03, vmoveto 04, rlineto 05,"
                            + " hlineto 06, vlineto 07, rrcurveto 08, return 0b, endchar 0e, hintmask 13, rmoveto 15,"
                            + " hmoveto 16, rcurveline 18, rlinecurve 19, vvcurveto 1a, hhcurveto 1b, vhcurveto 1e,"
                            + " hvcurveto 1f, dotsection 0c00, mul 0c18, div 0c0c, random 0c17, hflex 0c22, flex 0c23,"
                            + " hflex1 0c24, flex1 0c25")
                    .split(", "))
            .map(line -> line.split(" "))
            .collect(Collectors.toMap(line -> line[0], line -> HexFormat.of().parseHex(line[1])));

    /** Writes a font whose letter A has a charstring of 200 bytes: a move, and nothing but ends. */
    private static final String BLANK = """
            import sys
            from fontTools.fontBuilder import FontBuilder
            from fontTools.misc.psCharStrings import T2CharString
            fb = FontBuilder(1000, isTTF=False)
            fb.setupGlyphOrder(['.notdef', 'A']); fb.setupCharacterMap({65: 'A'})
            blank = T2CharString(bytecode=bytes([139, 139, 21] + [14] * 197))
            fb.setupCFF('Cases', {}, {'.notdef': T2CharString(program=['endchar']), 'A': blank}, {})
            fb.setupHorizontalMetrics({'.notdef': (500, 0), 'A': (500, 0)})
            fb.setupHorizontalHeader(ascent=800, descent=-200)
            fb.setupNameTable({'familyName': 'Cases', 'styleName': 'Regular'})
            fb.setupOS2(); fb.setupPost(); fb.save(sys.argv[1])
            """;

    private static byte[] blank;
    private static int charString;

    @BeforeAll
    static void make(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("blank.otf");
        Tool.python(BLANK, file);
        blank = Files.readAllBytes(file);
        String hex = HexFormat.of().formatHex(blank);
        charString = hex.indexOf("8b8b150e0e") / 2;
    }

    /** Operators, each after the number of its operands. */
    @ParameterizedTest
    @CsvSource({
        "first-move-with-width, 3 rmoveto 1 hlineto 0 endchar",
        "later-moves, 2 rmoveto 1 hmoveto 1 vmoveto 0 endchar",
        "lines, 2 rmoveto 4 rlineto 3 hlineto 1 vlineto 0 endchar",
        "curves, 2 rmoveto 12 rrcurveto 8 rcurveline 10 rlinecurve 0 endchar",
        "fours, 2 rmoveto 5 vvcurveto 4 hhcurveto 9 vhcurveto 8 hvcurveto 0 endchar",
        "flexes, 2 rmoveto 7 hflex 13 flex 9 hflex1 11 flex1 0 endchar",
        "a-hint-takes-the-width, 3 hstem 2 rlineto 0 endchar",
        "most-operands, 2 rmoveto 48 rlineto 0 endchar",
        "most-stems, 48 hstem 48 hstem 48 hstem 48 hstem 2 rmoveto 0 endchar",
        "operands-left-at-the-end, 2 rmoveto 3 endchar",
        "more-after-the-end, 2 rmoveto 0 endchar 3 rlineto",
        "width-only, 1 endchar",
        "deprecated-but-harmless, 2 rmoveto 0 dotsection 1 hlineto 0 endchar",
        "arithmetic, 2 rmoveto 2 mul 0 hlineto 0 endchar",
        "division-by-zero, 2 rmoveto 2 div 0 hlineto 0 endchar"
    })
    void aCharstringThatKeepsToTheRulesIsSound(String name, String program) throws IOException {
        byte[] font = font(program);
        assertThat(refusals(font)).isEmpty();
        write(name + ".sound", font);
    }

    @ParameterizedTest
    @CsvSource({
        "no-end, 2 rmoveto 2 rlineto, does not end with endchar",
        "return-at-the-end, 2 rmoveto 1 hlineto 0 return, does not end with endchar",
        "line-first, 2 rlineto 0 endchar, draws before it moves",
        "curve-first, 6 rrcurveto 0 endchar, draws before it moves",
        "odd-lines, 2 rmoveto 3 rlineto 0 endchar, gives rlineto 3 operands",
        "no-lines, 2 rmoveto 0 rlineto 0 endchar, gives rlineto 0 operands",
        "no-line, 2 rmoveto 0 hlineto 0 endchar, gives hlineto 0 operands",
        "curve-of-five, 2 rmoveto 5 rrcurveto 0 endchar, gives rrcurveto 5 operands",
        "curve-of-seven, 2 rmoveto 7 rrcurveto 0 endchar, gives rrcurveto 7 operands",
        "curve-without-line, 2 rmoveto 6 rcurveline 0 endchar, gives rcurveline 6 operands",
        "line-without-curve, 2 rmoveto 6 rlinecurve 0 endchar, gives rlinecurve 6 operands",
        "fours-and-two, 2 rmoveto 6 vvcurveto 0 endchar, gives vvcurveto 6 operands",
        "three, 2 rmoveto 3 hhcurveto 0 endchar, gives hhcurveto 3 operands",
        "ten, 2 rmoveto 10 hvcurveto 0 endchar, gives hvcurveto 10 operands",
        "seven, 2 rmoveto 7 vhcurveto 0 endchar, gives vhcurveto 7 operands",
        "long-first-move, 4 rmoveto 0 endchar, gives rmoveto 4 operands",
        "long-later-move, 2 rmoveto 3 rmoveto 0 endchar, gives rmoveto 3 operands",
        "long-flat-move, 2 rmoveto 2 hmoveto 0 endchar, gives hmoveto 2 operands",
        "flex-of-fourteen, 2 rmoveto 14 flex 0 endchar, gives flex 14 operands",
        "hflex-of-eight, 2 rmoveto 8 hflex 0 endchar, gives hflex 8 operands",
        "hflex1-of-ten, 2 rmoveto 10 hflex1 0 endchar, gives hflex1 10 operands",
        "flex1-of-twelve, 2 rmoveto 12 flex1 0 endchar, gives flex1 12 operands",
        "many-operands, 2 rmoveto 49 hlineto 0 endchar, more than 48 operands",
        "many-stems, 48 hstem 48 hstem 48 hstem 48 hstem 2 hstem 2 rmoveto 0 endchar, more than 96 stem hints",
        "half-a-stem, 2 hstem 3 vstem 2 rmoveto 0 endchar, stem hints 3 operands",
        "no-stem, 0 hstem 2 rmoveto 0 endchar, stem hints 0 operands",
        "mask-of-nothing, 0 hintmask 2 rmoveto 0 endchar, mask of hints without any",
        "at-random, 2 rmoveto 0 random 0 hlineto 0 endchar, draws at random"
    })
    void aCharstringThatBreaksARuleIsRefusedByName(String name, String program, String said) throws IOException {
        byte[] font = font(program);
        assertThat(refusals(font)).singleElement().asString().contains(said).contains("at glyph 1");
        write(name + ".refused", font);
    }

    @Test
    void theFirstBreachOfManyIsNamed() {
        assertThat(refusals(font("2 rmoveto 3 rlineto 6 rrcurveto 5 rlineto")))
                .singleElement()
                .asString()
                .contains("gives rlineto 3 operands");
    }

    private static List<String> refusals(byte[] font) {
        return FaceReport.of(FontReader.read(font).faces().get(0)).problems().stream()
                .filter(problem -> problem.severity() == Problem.Severity.ERROR)
                .map(Problem::text)
                .toList();
    }

    /** The blank font with another charstring for its letter, filled up with moves to where it is. */
    private static byte[] font(String program) {
        ByteArrayOutputStream code = new ByteArrayOutputStream();
        String[] words = program.split(" ");
        for (int i = 0; i < words.length; i += 2) {
            for (int operand = 0; operand < Integer.parseInt(words[i]); operand++) {
                code.write(ZERO + operand % 5);
            }
            code.writeBytes(OPERATORS.get(words[i + 1]));
        }
        byte[] font = blank.clone();
        for (int i = 0; i < 200; i++) {
            font[charString + i] = i % 2 == 0 ? (byte) ZERO : (byte) CharStringOperators.HMOVETO;
        }
        System.arraycopy(code.toByteArray(), 0, font, charString, code.size());
        return font;
    }

    private static void write(String name, byte[] font) throws IOException {
        Files.write(Files.createDirectories(FOLDER).resolve("charstring-" + name), font);
    }
}
