package app.unciala.server.intake;

import app.unciala.font.FontFormat;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.family.FileComparison;
import app.unciala.server.fault.Fault;
import app.unciala.server.storage.FileStore;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Compares a file under review with the one that is held in its place, or that is drawn as it is. */
@Component
class IntakeComparison {
    private final IntakeFiles intakeFiles;
    private final IntakeItemRepository items;
    private final FamilyService families;
    private final FileStore store;

    IntakeComparison(IntakeFiles intakeFiles, IntakeItemRepository items, FamilyService families, FileStore store) {
        this.intakeFiles = intakeFiles;
        this.items = items;
        this.families = families;
        this.store = store;
    }

    /** The file that is held, its family, and in what the file under review differs from it. */
    record WithHeld(String familyId, String family, File held, FileComparison difference) {}

    WithHeld compare(String id, String itemId) {
        Path arriving = intakeFiles.bytes(id, itemId);
        IntakeItemEntity item = items.findById(itemId).orElseThrow(() -> Fault.notFound("file", itemId));
        Family family = near(item)
                .or(() -> ofItsName(item))
                .orElseThrow(() -> Fault.conflict("Nothing is held yet to compare this file with."));
        File held = counterpart(item, family)
                .orElseThrow(() -> Fault.conflict(family.name() + " "
                        + item.slot().label() + " is not held, so there is nothing to compare with."));
        return new WithHeld(family.id(), family.name(), held, FileComparison.of(store.file(held.sha256()), arriving));
    }

    private Optional<Family> ofItsName(IntakeItemEntity item) {
        return families.byKeys(List.of(item.familyKey())).values().stream().findFirst();
    }

    /** A copy under another name is compared with what it was copied from, as long as that is held. */
    private Optional<Family> near(IntakeItemEntity item) {
        return item.verdictOrKind() != Verdict.RENAMED_COPY
                ? Optional.empty()
                : Optional.ofNullable(item.nearFileId())
                        .map(file -> families.ofFiles(Set.of(file)).get(file))
                        .or(() -> families.withDrawing(item.facts().drawing()).stream()
                                .findFirst());
    }

    /** The file of the same drawing or slot, of the same format where there is one. */
    private static Optional<File> counterpart(IntakeItemEntity item, Family family) {
        String key = item.slot().key();
        FontFormat format = item.facts().format();
        return family.files().stream()
                .filter(file -> file.id().equals(item.nearFileId())
                        || file.drawing().equals(item.facts().drawing())
                        || file.slot().key().equals(key))
                .max(Comparator.comparing((File file) -> file.id().equals(item.nearFileId()))
                        .thenComparing(file -> file.format().equals(format.key())));
    }
}
