package app.unciala.font.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.drawing.SketchIndex.Near;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.language.Exemplars;
import app.unciala.font.rename.Renamer;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * How many of what becomes of fonts is found again among all real fonts, as the nearest of them: docs/font-engine.md has
 * the figures. A font that another one is drawn the same as is found when either is.
 */
class SketchRecallTest {
    /** What the inventory takes for a copy. */
    private static final double COPY = 0.9;
    /** Families share letters; where these are scaled and rounded, neither of two such fonts is nearer by more than this. */
    private static final double TIE = 0.01;

    private static final Map<String, Sfnt> FACES = new LinkedHashMap<>();
    private static final Map<String, Sketch> SKETCHES = new LinkedHashMap<>();
    private static final SketchIndex<String> INDEX = new SketchIndex<>();

    @BeforeAll
    static void readAll() {
        for (Path path : RealFonts.everywhere().toList()) {
            Sfnt face = FontReader.read(RealFonts.bytes(path)).faces().get(0);
            Sketch sketch = Sketch.of(face);
            String name = path.getFileName().toString();
            FACES.put(name, face);
            SKETCHES.put(name, sketch);
            if (!sketch.isEmpty()) {
                INDEX.put(name, sketch);
            }
        }
        assertThat(INDEX.size()).isGreaterThan(60);
    }

    /** An SVG font keeps quadratic curves as they are, and is read with cubic ones. */
    @Test
    void reExportsWithOtherCurvesAreFound() {
        assertAllFound(
                90,
                (name, face) -> Optional.of(
                        again(FontWriter.write(Subsetter.subset(face, firstOf(face, 300)), FontFormat.SVG))));
    }

    /** One Python scales them all. */
    @Test
    void reExportsOnAnotherEmAreFound(@TempDir Path folder) throws IOException {
        String script = """
                import pathlib, sys
                from fontTools.ttLib import TTFont
                from fontTools.ttLib.scaleUpem import scale_upem
                for path in pathlib.Path(sys.argv[1]).iterdir():
                    font = TTFont(path); scale_upem(font, 1234); font.save(path)
                """;
        for (Map.Entry<String, Sfnt> entry : FACES.entrySet()) {
            Sfnt face = entry.getValue();
            if (face.table("fvar").isEmpty() && face.table("CFF ").isEmpty()) {
                Sfnt small = Subsetter.subset(face, firstOf(face, 120));
                Files.write(folder.resolve(entry.getKey()), FontWriter.write(small, FontFormat.TTF));
            }
        }
        Tool.python(script, folder);
        assertAllFound(70, (name, face) -> {
            Path scaled = folder.resolve(name);
            return Files.exists(scaled) ? Optional.of(again(RealFonts.bytes(scaled))) : Optional.empty();
        });
    }

    @Test
    void cutDownCopiesAreFound() {
        assertAllFound(90, (name, face) -> {
            BitSet basic = Exemplars.of("en");
            basic.and(CmapTable.read(face).characters());
            return basic.isEmpty() ? Optional.empty() : Optional.of(Subsetter.subset(face, SubsetPlan.of(basic)));
        });
    }

    @Test
    void renamedCopiesInAnotherFormatAreFound() {
        assertAllFound(
                90,
                (name, face) ->
                        Optional.of(again(FontWriter.write(Renamer.rename(face, "Another Name"), FontFormat.WOFF))));
    }

    /** The nearest font of each copy is the one that it was made of, or one whose characters in the copy are the same. */
    private static void assertAllFound(int atLeast, BiFunction<String, Sfnt, Optional<Sfnt>> copying) {
        List<String> missed = new ArrayList<>();
        int made = 0;
        for (Map.Entry<String, Sfnt> entry : FACES.entrySet()) {
            Sketch original = SKETCHES.get(entry.getKey());
            if (original.isEmpty()) {
                continue;
            }
            Optional<Sketch> copy;
            try {
                copy = copying.apply(entry.getKey(), entry.getValue())
                        .map(Sketch::of)
                        .filter(sketch -> !sketch.isEmpty());
            } catch (FontException e) {
                // What cannot be written in this way has no such copy.
                continue;
            }
            if (copy.isPresent()) {
                made++;
                List<Near<String>> nearest = INDEX.nearest(copy.get(), COPY, 1);
                double alike = copy.get().alike(original);
                if (nearest.isEmpty() || alike < COPY || alike < nearest.get(0).alike() - TIE) {
                    missed.add(entry.getKey() + ": " + alike + ", nearest " + nearest);
                }
            }
        }
        assertThat(made).isGreaterThanOrEqualTo(atLeast);
        assertThat(missed).isEmpty();
    }

    private static BitSet firstOf(Sfnt face, int most) {
        BitSet first = new BitSet();
        CmapTable.read(face).characters().stream().limit(most).forEach(first::set);
        return first;
    }

    private static Sfnt again(byte[] font) {
        return FontReader.read(font).faces().get(0);
    }
}
