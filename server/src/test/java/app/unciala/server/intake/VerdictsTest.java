package app.unciala.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import app.unciala.server.family.HeldFamilies.Place;
import app.unciala.server.intake.Verdicts.Judgeable;
import app.unciala.server.intake.Verdicts.Judged;
import app.unciala.server.intake.Verdicts.Verdict;
import app.unciala.server.inventory.SlotColumns;
import app.unciala.server.inventory.Texts;
import app.unciala.server.storage.FileStore;
import app.unciala.server.testing.Samples;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

class VerdictsTest {
    private static final byte[] REGULAR = Samples.font("Wendlow-Regular.ttf");
    private static final byte[] OTHER = Samples.font("Penmarrow-Regular.ttf");
    private static final byte[] WEB =
            FontWriter.write(FontReader.read(REGULAR).faces().get(0), FontFormat.WOFF2);

    @Test
    void anEmptyInventoryMakesEveryFaceNew() {
        Verdicts verdicts = new Verdicts(List.of());
        assertThat(verdicts.next(judgeable(item("a.ttf", REGULAR))).verdict()).isEqualTo(Verdict.NEW_FACE);
    }

    @Test
    void theFilesBeforeCountAsHeldWhenTheyGoIn() {
        Verdicts verdicts = new Verdicts(List.of());
        verdicts.next(judgeable(item("a.ttf", REGULAR)));
        assertThat(verdicts.next(judgeable(item("copy.ttf", REGULAR))))
                .isEqualTo(new Judged(Verdict.SAME_BYTES, "the same bytes as a.ttf in Wendlow"));
        assertThat(verdicts.next(judgeable(item("a.woff2", WEB))).verdict()).isEqualTo(Verdict.FURTHER_FORMAT);
        IntakeItemEntity left = item("left.ttf", OTHER);
        left.decide(false);
        verdicts.next(judgeable(left));
        assertThat(verdicts.next(judgeable(item("again.ttf", OTHER))).verdict()).isEqualTo(Verdict.NEW_FACE);
    }

    @Test
    void heldFilesAreRecognizedByBytesDrawingAndSlot() {
        assertThat(against(held("Wendlow", REGULAR, "ttf"))
                        .next(judgeable(item("x.ttf", REGULAR)))
                        .verdict())
                .isEqualTo(Verdict.SAME_BYTES);
        byte[] renamed = REGULAR.clone();
        renamed[renamed.length - 1] ^= 1;
        assertThat(against(held("Wendlow", renamed, "ttf"))
                        .next(judgeable(item("x.woff2", WEB)))
                        .verdict())
                .isEqualTo(Verdict.FURTHER_FORMAT);
        Judged elsewhere = against(held("Another Name", REGULAR, "ttf")).next(judgeable(item("x.woff2", WEB)));
        assertThat(elsewhere.verdict()).isEqualTo(Verdict.SAME_DRAWING);
        assertThat(elsewhere.because()).contains("Another Name").contains("filed elsewhere");
    }

    @Test
    void anotherDrawingInAFilledSlotIsAClashUntilItIsCorrected() {
        Verdicts verdicts = against(held("Wendlow", OTHER, "ttf"));
        IntakeItemEntity item = item("new.ttf", REGULAR);
        assertThat(verdicts.next(judgeable(item)).verdict()).isEqualTo(Verdict.CLASH);
        item.place(Slot.of(500, 100, Slope.UPRIGHT));
        assertThat(against(held("Wendlow", OTHER, "ttf")).next(judgeable(item)).verdict())
                .isEqualTo(Verdict.NEW_FACE);
        item.place(Slot.of(400, 100, Slope.UPRIGHT));
        item.rename("wend low");
        assertThat(against(held("Wendlow", OTHER, "ttf")).next(judgeable(item)).verdict())
                .as("a family is the same whatever its case and spaces")
                .isEqualTo(Verdict.CLASH);
    }

    @Test
    void whatIsNoFontIsNamed() {
        Verdicts verdicts = new Verdicts(List.of());
        byte[] text = "terms".getBytes(StandardCharsets.UTF_8);
        assertThat(verdicts.next(judgeable(item("EULA.txt", text))).verdict()).isEqualTo(Verdict.LICENSE_TEXT);
        assertThat(verdicts.next(judgeable(item("readme.txt", text))).verdict()).isEqualTo(Verdict.NOT_A_FONT);
        assertThat(verdicts.next(judgeable(item("font.ttf", text))).because()).contains("plain text");
        assertThat(verdicts.next(judgeable(item("a/__MACOSX/._font.ttf", text))).because())
                .contains("file manager");
        assertThat(verdicts.next(judgeable(item("photo.bin", new byte[] {0, 1, 0, 0, 0, 0})))
                        .verdict())
                .isEqualTo(Verdict.DAMAGED);
    }

    @Test
    void aWrongExtensionIsNotedAndNoObstacle() {
        ReadFile read = ReadFile.of("font.otf", WEB).get(0);
        assertThat(read.kind()).isEqualTo(ReadFile.Kind.FONT);
        assertThat(read.font().orElseThrow().notes()).contains("named as OpenType CFF, but its bytes are WOFF2");
    }

    @Test
    void compatibilityFormsOfANameAreOneFamily() {
        IntakeItemEntity item = item("new.ttf", REGULAR);
        item.rename("Ｗｅｎｄｌｏｗ");
        assertThat(against(held("Wendlow", OTHER, "ttf")).next(judgeable(item)).verdict())
                .isEqualTo(Verdict.CLASH);
    }

    private static Verdicts against(Place file) {
        return new Verdicts(List.of(file));
    }

    private static Place held(String family, byte[] bytes, String format) {
        ReadFile.Font font = ReadFile.of("held", bytes).get(0).font().orElseThrow();
        return new Place(
                family,
                Texts.familyKey(family),
                font.slot(),
                "held.ttf",
                FileStore.sha256(bytes),
                font.report().drawing(),
                format);
    }

    private static Judgeable judgeable(IntakeItemEntity item) {
        return new Judgeable(
                item.id(),
                item.path(),
                item.kind(),
                item.reason(),
                item.sha256(),
                item.facts().drawing(),
                item.facts().format().key(),
                item.family(),
                Texts.familyKey(item.family()),
                new SlotColumns(item.slot()),
                item.included(),
                "",
                "",
                false);
    }

    private static IntakeItemEntity item(String path, byte[] bytes) {
        return new IntakeItemEntity(path, "intake", 0, ReadFile.of(path, bytes).get(0), FileStore.sha256(bytes));
    }
}
