package app.unciala.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import app.unciala.server.family.FileFacts;
import app.unciala.server.family.HeldFamilies.Place;
import app.unciala.server.intake.CameWith.Item;
import app.unciala.server.intake.Verdicts.Judgeable;
import app.unciala.server.intake.Verdicts.Judged;
import app.unciala.server.inventory.SlotColumns;
import app.unciala.server.inventory.Texts;
import app.unciala.server.storage.FileStore;
import app.unciala.server.testing.Samples;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class VerdictsTest {
    private static final byte[] REGULAR = Samples.font("Wendlow-Regular.ttf");
    private static final byte[] OTHER = Samples.font("Penmarrow-Regular.ttf");
    private static final byte[] WEB =
            FontWriter.write(FontReader.read(REGULAR).faces().get(0), FontFormat.WOFF2);

    @Test
    void ofAFamilyOfWhichNothingIsHeldEveryFaceIsThatOfANewFamily() {
        Verdicts verdicts = new Verdicts(List.of());
        assertThat(verdicts.next(judgeable(item("a.ttf", REGULAR))).verdict()).isEqualTo(Verdict.NEW_FAMILY);
        IntakeItemEntity bold = item("b.ttf", OTHER);
        bold.rename("Wendlow");
        bold.place(Slot.of(700, 100, Slope.UPRIGHT));
        assertThat(verdicts.next(judgeable(bold)).verdict()).isEqualTo(Verdict.NEW_FAMILY);
        assertThat(against(held("Wendlow", REGULAR, "ttf")).next(judgeable(bold)))
                .isEqualTo(new Judged(Verdict.NEW_FACE, "nothing is held for Bold"));
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
        assertThat(verdicts.next(judgeable(item("again.ttf", OTHER))).verdict()).isEqualTo(Verdict.NEW_FAMILY);
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
        assertThat(elsewhere)
                .isEqualTo(new Judged(Verdict.RENAMED_COPY, "the same outlines as held.ttf in Another Name"));
        IntakeItemEntity moved = item("x.woff2", WEB);
        moved.place(Slot.of(500, 100, Slope.UPRIGHT));
        assertThat(against(held("Wendlow", REGULAR, "ttf")).next(judgeable(moved)))
                .isEqualTo(new Judged(
                        Verdict.SAME_DRAWING, "the same outlines as held.ttf in Wendlow, which is filed elsewhere"));
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
        assertThat(verdicts.next(judgeable(item("readme.txt", text))).verdict()).isEqualTo(Verdict.README);
        assertThat(verdicts.next(judgeable(item("index.html", text))).verdict()).isEqualTo(Verdict.NOT_A_FONT);
        assertThat(verdicts.next(judgeable(item("font.ttf", text))).because()).contains("plain text");
        assertThat(verdicts.next(judgeable(item("a/__MACOSX/._font.ttf", text))).because())
                .contains("file manager");
        assertThat(verdicts.next(judgeable(item("photo.bin", new byte[] {0, 1, 0, 0, 0, 0})))
                        .verdict())
                .isEqualTo(Verdict.DAMAGED);
    }

    @Test
    void aWrongExtensionIsNotedAndNoObstacle() {
        ReadFile read = read("font.otf", WEB);
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

    @Test
    void aVersionIsNewerOrOlderByItsNumberAndACutDownCopyIsNamed() {
        Sfnt face = FontReader.read(REGULAR).faces().get(0);
        byte[] redrawn = FontWriter.write(shifted(face), FontFormat.TTF);
        Place held = held("Wendlow", REGULAR, "ttf");
        IntakeItemEntity item = item("new.ttf", redrawn);
        assertThat(withVersion(held, "Version 0.900").next(judgeable(item)).verdict())
                .isEqualTo(Verdict.NEWER_VERSION);
        Judged older = withVersion(held, "Version 9.100;tool 3").next(judgeable(item));
        assertThat(older.verdict()).isEqualTo(Verdict.OLDER_VERSION);
        assertThat(older.because()).contains("held.ttf in Wendlow, version 9.100");
        Judged neither = against(held).next(judgeable(item));
        assertThat(neither.verdict()).isEqualTo(Verdict.CLASH);
        assertThat(neither.because()).contains("differ a little");

        byte[] cut = FontWriter.write(Subsetter.subset(face, SubsetPlan.ofText("aegnorst")), FontFormat.WOFF2);
        Judged copy = against(held).next(judgeable(item("cut.woff2", cut)));
        assertThat(copy.verdict()).isEqualTo(Verdict.CUT_DOWN_COPY);
        assertThat(copy.because()).contains("with 8 characters of its");
    }

    @Test
    void aFaceDrawnAsOneUnderAnotherNameIsACopy() {
        Place held = held("Wendlow", REGULAR, "ttf");
        IntakeItemEntity item = item("copy.ttf", OTHER);
        assertThat(against(held).next(judgeable(item, "held", 0.981)))
                .isEqualTo(new Judged(Verdict.RENAMED_COPY, "drawn as held.ttf in Wendlow to 98 %"));
        assertThat(against(held).next(judgeable(item, "held", 0.9)).verdict()).isEqualTo(Verdict.NEW_FAMILY);
        assertThat(against(held).next(judgeable(item, "removed since", 0.99)).verdict())
                .isEqualTo(Verdict.NEW_FAMILY);
    }

    @Test
    void aFileWhoseNameAndTablesAreFarApartIsAskedAboutUntilAPersonPlacesIt() {
        byte[] bold = renamedStyle(REGULAR, "Bold");
        IntakeItemEntity item = item("bold.ttf", bold);
        Judged judged = new Verdicts(List.of()).next(judgeable(item));
        assertThat(judged.verdict()).isEqualTo(Verdict.CONTRADICTION);
        assertThat(judged.because()).isEqualTo("its name says Bold, its tables weight 400");
        assertThat(Verdicts.goesIn(judgeable(item), judged)).isFalse();
        item.place(Slot.of(700, 100, Slope.UPRIGHT));
        item.settle();
        assertThat(new Verdicts(List.of()).next(judgeable(item)).verdict()).isEqualTo(Verdict.NEW_FAMILY);
    }

    @Test
    void aWebFileIsJudgedAfterTheDesktopFileThatItWasMadeFrom() {
        assertThat(judgeable(item("a.woff2", WEB)).rank())
                .isGreaterThan(judgeable(item("a.ttf", REGULAR)).rank());
    }

    @Test
    void fontsComeUnderTheTextOfTheNearestFolderAbove() {
        List<Item> drop = List.of(
                new Item("text", "a.zip/OFL.txt", false, "OFL-1.1"),
                new Item("other", "a.zip/apache/LICENSE.txt", false, "Apache-2.0"),
                new Item("one", "a.zip/fonts/ttf/One.ttf", true, ""),
                new Item("two", "a.zip/apache/Two.ttf", true, ""),
                new Item("own", "a.zip/apache/Own.ttf", true, "OFL-1.1"),
                new Item("stray", "b.zip/Stray.ttf", true, ""));
        assertThat(CameWith.of(drop)).isEqualTo(Map.of("OFL-1.1", List.of("one"), "Apache-2.0", List.of("two")));
    }

    /** The same face with one advance changed, which makes it another drawing. */
    private static Sfnt shifted(Sfnt face) {
        TreeMap<String, ByteView> tables = new TreeMap<>(face.tables());
        byte[] hmtx = face.tables().get("hmtx").toArray();
        hmtx[1] ^= 3;
        tables.put("hmtx", ByteView.of(hmtx, "hmtx"));
        return new Sfnt(face.flavor(), tables, List.of());
    }

    private static byte[] renamedStyle(byte[] font, String style) {
        Sfnt face = FontReader.read(font).faces().get(0);
        return FontWriter.write(
                face.with(
                        "name",
                        NameWriter.write(List.of(
                                new NameRecord(3, 1, 0x409, NameTable.FAMILY, "Wendlow"),
                                new NameRecord(3, 1, 0x409, NameTable.SUBFAMILY, style)))),
                FontFormat.TTF);
    }

    private static Verdicts withVersion(Place file, String version) {
        return against(new Place(
                file.id(),
                file.family(),
                file.familyKey(),
                file.slot(),
                file.fileName(),
                file.sha256(),
                file.drawing(),
                file.format(),
                file.codePoints(),
                version,
                file.sketch()));
    }

    private static Verdicts against(Place file) {
        return new Verdicts(List.of(file));
    }

    private static Place held(String family, byte[] bytes, String format) {
        ReadFile.Font font = read("held", bytes).font().orElseThrow();
        return new Place(
                "held",
                family,
                Texts.familyKey(family),
                font.slot(),
                "held.ttf",
                FileStore.sha256(bytes),
                font.report().drawing(),
                format,
                font.facts().codePoints(),
                font.facts().version(),
                Optional.of(font.facts().sketch()));
    }

    private static Judgeable judgeable(IntakeItemEntity item) {
        return judgeable(item, null, 0);
    }

    private static Judgeable judgeable(IntakeItemEntity item, @Nullable String near, double alike) {
        FileFacts facts = item.toFileFacts();
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
                facts.codePoints(),
                facts.version(),
                item.contradiction(),
                facts.sketch().bytes(),
                near,
                alike,
                item.included(),
                "",
                "",
                false);
    }

    private static IntakeItemEntity item(String path, byte[] bytes) {
        return new IntakeItemEntity(path, "intake", 0, read(path, bytes), FileStore.sha256(bytes));
    }

    private static ReadFile read(String path, byte[] bytes) {
        List<ReadFile> read = new ArrayList<>();
        ReadFile.read(path, bytes, (file, own) -> read.add(file));
        return read.get(0);
    }
}
