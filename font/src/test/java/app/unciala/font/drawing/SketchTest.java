package app.unciala.font.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.unciala.font.FontFormat;
import app.unciala.font.drawing.SketchIndex.Near;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.language.Exemplars;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.testing.RealFonts;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SketchTest {
    @ParameterizedTest
    @CsvSource({"DejaVuSans.ttf", "Cantarell-Regular.otf", "EBGaramond12-Italic.otf", "Lohit-Devanagari.ttf"})
    void aFaceIsLikeItselfInAnyFormatAndCutDown(String name) {
        Sfnt face = face(name);
        Sketch sketch = Sketch.of(face);
        assertThat(sketch.alike(Sketch.read(sketch.bytes()))).isEqualTo(1);
        assertThat(sketch.bytes().length).isLessThan(2048);
        Sfnt converted = FontReader.read(FontWriter.write(face, FontFormat.WOFF2))
                .faces()
                .get(0);
        assertThat(sketch.alike(Sketch.of(converted))).isEqualTo(1);
        Sfnt cut = Subsetter.subset(face, Exemplars.of(name.startsWith("Lohit") ? "hi" : "en"));
        assertThat(sketch.alike(Sketch.of(cut))).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({
        "DejaVuSans.ttf, OpenSans-Regular.ttf",
        "DejaVuSans.ttf, DejaVuSans-Bold.ttf",
        "Lato-Regular.ttf, Lato-Italic.ttf",
        "Lato-Regular.ttf, Cantarell-Regular.otf",
        "Gentium-R.ttf, EBGaramond12-Regular.otf",
    })
    void strangersAndOtherWeightsAreNotAlike(String one, String other) {
        Sketch a = Sketch.of(face(one));
        Sketch b = Sketch.of(face(other));
        assertThat(a.alike(b)).isLessThan(0.85).isEqualTo(b.alike(a)).isLessThanOrEqualTo(a.atMost(b, 0));
        assertThat(a.atMost(b, 0)).isEqualTo(b.atMost(a, 0), within(1e-9));
        // What could be as alike as asked for is never said to be less.
        for (double atLeast = 0; atLeast <= 1; atLeast += 0.05) {
            boolean could = a.atMost(b, 0) >= atLeast;
            assertThat(a.atMost(b, atLeast) >= atLeast).isEqualTo(could);
        }
    }

    @Test
    void facesThatShareNoScriptAreNotAlike() {
        Sketch hindi = Sketch.of(Subsetter.subset(face("Lohit-Devanagari.ttf"), Exemplars.of("hi")));
        Sketch latin = Sketch.of(Subsetter.subset(face("DejaVuSans.ttf"), Exemplars.of("de")));
        assertThat(hindi.alike(latin)).isLessThan(0.9);
        assertThat(Sketch.read(new byte[0]).isEmpty()).isTrue();
        assertThat(Sketch.read(new byte[0]).alike(latin)).isZero();
    }

    @Test
    void storedBytesOfAnotherVersionOrDamagedOnesAreLikeNothing() {
        byte[] stored = Sketch.of(face("Lato-Regular.ttf")).bytes();
        byte[] cut = java.util.Arrays.copyOf(stored, stored.length - 5);
        assertThat(Sketch.read(cut).isEmpty()).isTrue();
        stored[0] = 99;
        assertThat(Sketch.read(stored).isEmpty()).isTrue();
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            byte[] noise = new byte[1 + 34 * random.nextInt(12)];
            random.nextBytes(noise);
            noise[0] = 1;
            Sketch sketch = Sketch.read(noise);
            assertThat(sketch.alike(Sketch.of(face("Lato-Regular.ttf")))).isBetween(0.0, 1.0);
        }
    }

    @Test
    void theIndexFindsWhatComparingWithEachFinds() {
        Random random = new Random(20_000);
        SketchIndex<Integer> index = new SketchIndex<>();
        List<Sketch> all = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            Sketch sketch = any(random);
            all.add(sketch);
            index.put(i, sketch);
        }
        for (int round = 0; round < 60; round++) {
            Sketch asked = round % 3 == 0 ? all.get(random.nextInt(all.size())) : any(random);
            double atLeast = random.nextInt(3) * 0.3;
            int most = random.nextInt(6);
            List<Near<Integer>> expected = new ArrayList<>();
            for (int i = 0; i < all.size(); i++) {
                double alike = asked.alike(all.get(i));
                if (alike >= atLeast && alike > 0) {
                    expected.add(new Near<>(i, alike));
                }
            }
            expected.sort(Comparator.comparingDouble((Near<Integer> near) -> -near.alike())
                    .thenComparing(Near::key));
            assertThat(index.nearest(asked, atLeast, most))
                    .isEqualTo(expected.subList(0, Math.min(most, expected.size())));
        }
        index.keep(Set.of(3));
        assertThat(index.size()).isEqualTo(1);
        assertThat(index.has(4)).isFalse();
        assertThat(index.nearest(all.get(4), 0, 5)).extracting(Near::key).containsExactly(3);
    }

    private static Sketch any(Random random) {
        int records = 6 + random.nextInt(6);
        byte[] stored = new byte[1 + 34 * records];
        random.nextBytes(stored);
        stored[0] = 1;
        for (int i = 0; i < records; i++) {
            stored[1 + 34 * i] = (byte) i;
        }
        return Sketch.read(stored);
    }

    private static Sfnt face(String name) {
        return FontReader.read(RealFonts.bytes(RealFonts.named(name))).faces().get(0);
    }
}
