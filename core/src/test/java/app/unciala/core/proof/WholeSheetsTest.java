package app.unciala.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.proof.ProofReader.Proof;
import app.unciala.testing.ProcessorTime;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Style sheets as a whole: what several rules say together, and huge ones. */
class WholeSheetsTest {
    @Test
    void facesUnderNamesOfTheirOwnAreJoinedUnderTheNameThatIsAskedFor() {
        String css = """
                @font-face { font-family: tarnregular; src: url(tarn-regular.woff2); font-display: swap }
                @font-face { font-family: tarnbolditalic; src: url(tarn-b.woff2); font-weight: normal; font-display: swap }
                body { font-family: tarn, sans-serif }
                h1 { font-family: Tarn, sans-serif; font-weight: bold; font-style: italic }
                """;
        Proof proof = ProofReader.read(css, Reference.none());
        assertThat(proof.findings())
                .extracting(Finding::kind)
                .containsExactly(FindingKind.FAMILY_PER_WEIGHT, FindingKind.FAMILY_PER_WEIGHT);
        assertThat(proof.fixed())
                .contains("font-family: \"tarn\"; src: url(tarn-regular.woff2)")
                .contains("font-family: \"tarn\"; src: url(tarn-b.woff2); font-weight: 700")
                .contains("font-style: italic");
        assertThat(ProofReader.read(proof.fixed(), Reference.none()).findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.UNDECLARED_FAMILY, FindingKind.UNUSED_FACE);
    }

    @Test
    void aTypographicQuoteBesideAStraightOneGetsThePartnerThatFits() {
        String css = "@font-face { font-family: Tarn; src: url({{ “tarn.woff2' | asset_url }}); font-display: swap }\n"
                + "p { font-family: Tarn, serif }\n";
        Proof proof = ProofReader.read(css, Reference.none().replacing("{{ '{file}' | asset_url }}"));
        assertThat(proof.fixed()).contains("url({{ 'tarn.woff2' | asset_url }})");
        assertThat(ProofReader.read(proof.fixed(), Reference.none().replacing("{{ '{file}' | asset_url }}"))
                        .findings())
                .isEmpty();
    }

    @Test
    void theWidthThatARuleAsksForCounts() {
        String faces = "@font-face { font-family: Tarn; src: url(tarn.woff2); font-display: swap }\n";
        String condensed =
                faces.replace("tarn.", "tarn-c.").replace("; font-display", "; font-stretch: 75%; font-display");
        for (String use : List.of("font: condensed 1em Tarn, serif", "font-family: Tarn, serif; font-width: 75%")) {
            assertThat(ProofReader.read(faces + "p { " + use + " }\n", Reference.none())
                            .findings())
                    .extracting(Finding::message)
                    .containsExactly(
                            "“Tarn” is asked for in 400 75% wide, which no face supplies: browsers take Regular.");
            assertThat(ProofReader.read(
                                    faces + condensed + "b { font-weight: 400 } p { " + use + " }\n", Reference.none())
                            .findings())
                    .isEmpty();
        }
    }

    @Test
    void ofTwoFilesForOneFaceNoneIsTakenOut() {
        String latin = "@font-face { font-family: Tarn; src: url(tarn-latin.woff2); font-display: swap }\n";
        String cyrillic = "@font-face { font-family: Tarn; src: url(tarn-cyrillic.woff2); font-display: swap }\n";
        String use = "p { font-family: Tarn, serif }\n";
        Proof proof = ProofReader.read(latin + cyrillic + use, Reference.none());
        assertThat(proof.findings()).extracting(Finding::kind).containsExactly(FindingKind.DUPLICATE_FACE);
        assertThat(proof.findings().get(0).message()).contains("unicode-range");
        assertThat(proof.fixed()).isEqualTo(latin + cyrillic + use);
        String again = latin.replace("woff2", "woff");
        assertThat(ProofReader.read(latin + again + use, Reference.none()).fixed())
                .isEqualTo(again + use);
    }

    /** Each took from twenty seconds to over a minute before names were compared once, and quotes in their own value. */
    @ParameterizedTest
    @MethodSource
    void aHugeStyleSheetOfOneFaultEndsInAMoment(String what, String css) {
        Reference reference = Reference.served(Optional.empty(), Optional.empty());
        assertThat(ProcessorTime.of(() -> ProofReader.read(css, reference)))
                .as(what)
                .isLessThan(Duration.ofSeconds(30));
    }

    static Stream<Arguments> aHugeStyleSheetOfOneFaultEndsInAMoment() {
        return Stream.of(
                Arguments.of(
                        "1,500 families declared and 1,500 others asked for",
                        repeated(1500, i -> "@font-face{font-family:fam" + i + "x;src:url(a" + i + ".woff2)}\n")
                                + repeated(1500, i -> "p" + i + "{font-family:other" + i + "y}\n")),
                Arguments.of("quotes of a text", repeated(50_000, i -> "a{b:”}")),
                Arguments.of(
                        "fonts by http:",
                        repeated(
                                8_000,
                                i -> "@font-face{font-family:a" + i + ";src:url(http://x.example/" + i + ".woff2)}\n")),
                Arguments.of("names without quotes", repeated(6_000, i -> "p{font-family:My Font " + i + "}\n")));
    }

    private static String repeated(int times, IntFunction<String> rule) {
        return IntStream.range(0, times).mapToObj(rule).collect(Collectors.joining());
    }
}
