package app.unciala.core.css;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.FontMatching.Match;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What holds of every match of a style with the faces of a family (CSS Fonts 4, section 5.2). */
class FontMatchingPropertyTest {
    private static final int CASES = 5_000;
    private final Random random = new Random(52);

    @Test
    void takesAFaceWhenThereIsOneAndTheSameInWhateverOrder() {
        assertThat(FontMatching.match(slot(), List.of())).isEmpty();
        for (int i = 0; i < CASES; i++) {
            List<Slot> faces = faces();
            Slot asked = slot();
            Match match = FontMatching.match(asked, faces).orElseThrow();
            assertThat(faces).contains(match.face());
            Collections.shuffle(faces, random);
            assertThat(FontMatching.match(asked, faces)).contains(match);
        }
    }

    @Test
    void takesTheFaceThatIsAskedForWithoutFakingAnything() {
        for (int i = 0; i < CASES; i++) {
            List<Slot> faces = faces();
            Slot asked = faces.get(random.nextInt(faces.size()));
            Match match = FontMatching.match(asked, faces).orElseThrow();
            assertThat(match).isEqualTo(new Match(asked, false, false));
            assertThat(match.isFaithful(asked)).isTrue();
        }
    }

    @Test
    void widthCountsBeforeSlopeAndSlopeBeforeWeight() {
        for (int i = 0; i < CASES; i++) {
            List<Slot> faces = faces();
            Slot asked = slot();
            Slot taken = FontMatching.match(asked, faces).orElseThrow().face();
            boolean sameWidth = faces.stream().anyMatch(face -> face.width().equals(asked.width()));
            if (sameWidth) {
                assertThat(taken.width()).isEqualTo(asked.width());
                boolean sameSlope = faces.stream()
                        .anyMatch(face -> face.width().equals(asked.width()) && face.slope() == asked.slope());
                if (sameSlope) {
                    assertThat(taken.slope()).isEqualTo(asked.slope());
                }
            }
        }
    }

    @Test
    void aFurtherFaceOfAnotherWidthChangesNothingWhereTheWidthIsHeld() {
        for (int i = 0; i < CASES; i++) {
            List<Slot> faces = faces();
            Slot asked = faces.get(random.nextInt(faces.size()));
            Match before = FontMatching.match(asked, faces).orElseThrow();
            List<Slot> more = new ArrayList<>(faces);
            more.add(Slot.of(400, 50, Slope.UPRIGHT));
            assertThat(FontMatching.match(asked, more)).contains(before);
        }
    }

    @Test
    void aSlantIsFakedOnlyWhereNothingSlantedIsTakenAndABoldOnlyFromALightFace() {
        for (int i = 0; i < CASES; i++) {
            Slot asked = slot();
            Match match = FontMatching.match(asked, faces()).orElseThrow();
            if (match.fakesSlope()) {
                assertThat(asked.slope()).isNotEqualTo(Slope.UPRIGHT);
                assertThat(match.face().slope()).isEqualTo(Slope.UPRIGHT);
            }
            if (match.fakesBold()) {
                assertThat(asked.weight().min()).isGreaterThanOrEqualTo(600);
                assertThat(match.face().weight().max()).isLessThan(600);
            }
        }
    }

    private List<Slot> faces() {
        List<Slot> faces = new ArrayList<>();
        for (int n = 1 + random.nextInt(6); n > 0; n--) {
            Slot face = slot();
            if (!faces.contains(face)) {
                faces.add(face);
            }
        }
        return faces;
    }

    private Slot slot() {
        return Slot.of(
                100 * (1 + random.nextInt(9)),
                List.of(75, 100, 125).get(random.nextInt(3)),
                Slope.values()[random.nextInt(Slope.values().length)]);
    }
}
