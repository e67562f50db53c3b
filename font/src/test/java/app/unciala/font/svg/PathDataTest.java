package app.unciala.font.svg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.unciala.font.outline.Outline;
import app.unciala.font.outline.PathData;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What is written as SVG path data is read as the same outline. */
class PathDataTest {
    @Test
    void anyOutlineComesBackAsItWas() {
        Random random = new Random(5);
        for (int i = 0; i < 300; i++) {
            Outline outline = outline(random);
            Outline read = SvgPath.read(PathData.of(outline, 1));
            assertThat(read.operators()).isEqualTo(outline.operators());
            assertThat(read.coordinates()).containsExactly(outline.coordinates(), within(1e-4));
        }
    }

    @Test
    void aScaledOneIsRoundedToATenth() {
        Outline outline = new Outline().moveTo(100, 200).lineTo(333, -50);
        assertThat(PathData.of(outline, 1000.0 / 2048)).isEqualTo("M48.8 97.7L162.6 -24.4Z");
        assertThat(PathData.of(new Outline(), 1)).isEmpty();
    }

    private static Outline outline(Random random) {
        Outline outline = new Outline();
        for (int contour = 0; contour <= random.nextInt(4); contour++) {
            outline.moveTo(value(random), value(random));
            for (int segment = 0; segment < random.nextInt(8); segment++) {
                switch (random.nextInt(3)) {
                    case 0 -> outline.lineTo(value(random), value(random));
                    case 1 -> outline.quadTo(value(random), value(random), value(random), value(random));
                    default ->
                        outline.curveTo(
                                value(random),
                                value(random),
                                value(random),
                                value(random),
                                value(random),
                                value(random));
                }
            }
        }
        return outline;
    }

    /** Halves come from implied points, and four digits are kept. */
    private static double value(Random random) {
        return Math.round((random.nextDouble() - 0.5) * 4000 * 10_000) / 10_000.0;
    }
}
