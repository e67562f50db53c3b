package app.unciala.font.face;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.testing.RealFonts;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ClassificationTest {
    @ParameterizedTest
    @CsvSource({
        "DejaVuSans.ttf, SANS_SERIF",
        "DejaVuSerif.ttf, SERIF",
        "DejaVuSansMono.ttf, MONOSPACED",
        "Lato-Regular.ttf, SANS_SERIF",
        "OpenSans-Italic.ttf, SANS_SERIF",
        "EBGaramond12-Regular.otf, SERIF",
        "Gentium-R.ttf, SERIF",
        "LiberationMono-Regular.ttf, MONOSPACED",
        "LiberationSerif-Italic.ttf, SERIF",
    })
    void aRealFontIsProposedAsWhatItIs(String name, Classification expected) {
        Classification.Proposal proposal = Classification.propose(face(name)).orElseThrow();
        assertThat(proposal.classification()).isEqualTo(expected);
        assertThat(proposal.because()).isNotBlank();
    }

    @ParameterizedTest
    @CsvSource({
        "DejaVuSans.ttf, SANS_SERIF",
        "DejaVuSerif.ttf, SERIF",
        "Lato-Italic.ttf, SANS_SERIF",
        "Gentium-I.ttf, SERIF"
    })
    void withoutItsTablesTheDrawingSaysIt(String name, Classification expected) {
        Sfnt bare = face(name).without("OS/2").without("post");
        assertThat(Classification.propose(bare).orElseThrow().classification()).isEqualTo(expected);
    }

    @Test
    void panoseIsReadAsTheSpecificationSays() {
        assertThat(kind(2, 11, 5, 3)).contains(Classification.SANS_SERIF);
        assertThat(kind(2, 2, 5, 3)).contains(Classification.SERIF);
        assertThat(kind(2, 11, 5, 9)).contains(Classification.MONOSPACED);
        assertThat(kind(3, 2, 0, 0)).contains(Classification.HANDWRITING);
        assertThat(kind(4, 2, 0, 0)).contains(Classification.DISPLAY);
        assertThat(kind(2, 0, 0, 0)).as("no serif style given").isEmpty();
        assertThat(kind(0, 0, 0, 0)).as("any").isEmpty();
        assertThat(kind(5, 11, 0, 9)).as("symbols").isEmpty();
    }

    @Test
    void aWordIsReadBackOrNothing() {
        assertThat(Classification.of("serif")).contains(Classification.SERIF);
        assertThat(Classification.of("")).isEmpty();
    }

    private static Optional<Classification> kind(int family, int second, int third, int proportion) {
        return Classification.fromPanose(List.of(family, second, third, proportion, 0, 0, 0, 0, 0, 0))
                .map(Classification.Proposal::classification);
    }

    private static Sfnt face(String name) {
        return FontReader.read(RealFonts.bytes(RealFonts.named(name))).faces().get(0);
    }
}
