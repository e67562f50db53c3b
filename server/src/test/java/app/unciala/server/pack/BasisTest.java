package app.unciala.server.pack;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.license.Verdict;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.flag.AskedRow.HeldView;
import app.unciala.server.inventory.SlotView;
import java.util.List;
import org.junit.jupiter.api.Test;

class BasisTest {
    private static final SlotView REGULAR = SlotView.of(Slot.of(400, 100, Slope.UPRIGHT));

    /** Otherwise every such pack would be due after an update, as if another file were held. */
    @Test
    void aPackOfAnEarlierVersionWasMadeFromTheFileThatWouldBeTakenToday() {
        AskedRow row = new AskedRow(
                "running-text",
                "f",
                "Harrow",
                REGULAR,
                List.of(held("a", "ttf", false), held("b", "woff2", true), held("c", "woff2", false)),
                "",
                Verdict.ALLOWED,
                List.of(),
                null);
        assertThat(Basis.taken(row)).map(HeldView::fileId).contains("c");
    }

    private static HeldView held(String id, String format, boolean madeHere) {
        return new HeldView(id, id + "." + format, "sha-" + id, format, REGULAR, madeHere);
    }
}
