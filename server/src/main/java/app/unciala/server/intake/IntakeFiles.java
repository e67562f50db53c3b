package app.unciala.server.intake;

import app.unciala.server.fault.Fault;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.inventory.Texts;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.LetterCuts;
import app.unciala.server.storage.StagingArea;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The files of an intake as they came: their bytes, what is shown of fonts, and what texts say. */
@Component
class IntakeFiles {
    private static final int LONGEST_TEXT = 200_000;

    private final IntakeRepository intakes;
    private final IntakeItemRepository items;
    private final StagingArea staging;
    private final FileStore store;
    private final LetterCuts cuts;

    IntakeFiles(
            IntakeRepository intakes,
            IntakeItemRepository items,
            StagingArea staging,
            FileStore store,
            LetterCuts cuts) {
        this.intakes = intakes;
        this.items = items;
        this.staging = staging;
        this.store = store;
        this.cuts = cuts;
    }

    /** Where the bytes of a file of an intake are: with the intake, or in the store once it was accepted. */
    @Transactional(readOnly = true)
    public Path bytes(String id, String itemId) {
        IntakeItemEntity item = findItem(id, itemId);
        if (!item.kind().isKept()) {
            throw Fault.notFound("kept file", itemId);
        }
        return staging.has(id, item.sha256()) ? staging.file(id, item.sha256()) : store.file(item.sha256());
    }

    /** A font of an intake cut to the letters of a text. */
    public Path letters(String id, String itemId, String text) {
        Path font = bytes(id, itemId);
        return cuts.cut(findItem(id, itemId).sha256(), font, text);
    }

    /** A text that came along, as far as it is shown. */
    public record Text(String path, String text) {}

    @Transactional(readOnly = true)
    public Text text(String id, String itemId) {
        byte[] bytes = read(bytes(id, itemId));
        IntakeItemEntity item = findItem(id, itemId);
        String path = item.path();
        if (item.kind() == Kind.FONT || path.toLowerCase(Locale.ROOT).matches(".*\\.(pdf|docx?|rtf)")) {
            throw Fault.invalid("item", Texts.baseName(path) + " isn’t plain text; download it to read it.");
        }
        return new Text(path, Texts.cut(Texts.decoded(bytes), LONGEST_TEXT));
    }

    private static byte[] read(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private IntakeItemEntity findItem(String id, String itemId) {
        if (!intakes.existsById(id)) {
            throw Fault.notFound("intake", id);
        }
        return items.findById(itemId)
                .filter(item -> item.intakeId().equals(id))
                .orElseThrow(() -> Fault.notFound("file in this intake", itemId));
    }
}
