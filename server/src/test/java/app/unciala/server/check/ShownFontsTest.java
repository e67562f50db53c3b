package app.unciala.server.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.server.check.CheckReport.FoundFont;
import app.unciala.server.check.ShownFonts.Held;
import app.unciala.server.check.ShownFonts.HeldAs;
import app.unciala.server.family.HeldFamilies;
import app.unciala.server.family.HeldFamilies.HeldFace;
import app.unciala.server.inventory.SlotView;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/** As what a font on a page is held: by its bytes first, then by its drawing, then by what it is drawn like. */
class ShownFontsTest {
    private final HeldFamilies families = mock();
    private final ShownFonts fonts = new ShownFonts(families, mock(SiteCheckRepository.class), mock(JdbcClient.class));

    @ParameterizedTest
    @CsvSource(
            nullValues = "none",
            value = {
                "bytes, drawing, near, 100, SAME_BYTES",
                "other, drawing, near, 100, SAME_DRAWING",
                "other, other, near, 99, CUT",
                "other, other, near, 100, ALIKE",
                "other, other, near, 101, ALIKE",
                "other, other, gone, 99, none",
                "other, other, none, 99, none",
            })
    void theClosestWayCounts(String sha256, String drawing, String near, int codePoints, Held how) {
        holding(face("near", "bytes", "drawing", 100));
        assertThat(Optional.ofNullable(held(font(sha256, drawing, near, codePoints)))
                        .map(HeldAs::how))
                .isEqualTo(Optional.ofNullable(how));
    }

    @Test
    void theOldestOfSeveralIsNamed() {
        holding(face("a", "bytes", "drawing", 100), face("b", "bytes", "drawing", 100));
        assertThat(held(font("bytes", "x", null, 1)).fileName()).isEqualTo("a.ttf");
    }

    @Test
    void aFontFoundOnTwoHostsIsDecidedOnEach() {
        FoundFont font = font("bytes", "drawing", null, 1);
        assertThat(StoredChecks.shown(font, Optional.empty()))
                .extracting(shown -> shown.host().ascii() + " " + shown.page())
                .containsExactly("tarn.example https://tarn.example/", "shop.tarn.example https://shop.tarn.example/");
    }

    private HeldAs held(FoundFont font) {
        Map<String, HeldAs> held = fonts.held(List.of(font));
        return held.get(font.sha256());
    }

    private void holding(HeldFace... faces) {
        when(families.faces(any(), any(), any())).thenReturn(List.of(faces));
    }

    private static HeldFace face(String id, String sha256, String drawing, int codePoints) {
        return new HeldFace(id, "f", "Harrow", id + ".ttf", sha256, drawing, codePoints, false);
    }

    private static FoundFont font(String sha256, String drawing, String near, int codePoints) {
        return new FoundFont(
                sha256,
                drawing,
                "Harrow",
                "Harrow Regular",
                SlotView.of(Slot.of(400, 100, Slope.UPRIGHT)),
                "woff2",
                1_000,
                codePoints,
                List.of("https://tarn.example/harrow.woff2"),
                List.of("https://shop.tarn.example/", "https://tarn.example/"),
                List.of("tarn.example", "shop.tarn.example"),
                3,
                false,
                false,
                near,
                near == null ? 0 : 0.98);
    }
}
