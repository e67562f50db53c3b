package app.unciala.server.family;

import app.unciala.core.flag.Scope;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.Parts;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Component;

/** Tells what changes of held files touch, within the change's transaction. */
@Component
class FamilyChanges {
    private final FaceFileRepository files;
    private final Links links;
    private final Changes changes;

    FamilyChanges(FaceFileRepository files, Links links, Changes changes) {
        this.files = files;
        this.links = links;
        this.changes = changes;
    }

    /** Says that what is held of families changed; {@code before} are files that are held no more. */
    void touched(Collection<String> familyIds, List<HeldFile> before) {
        List<HeldFile> heldThenOrNow = new ArrayList<>(before);
        Parts.of(familyIds, part -> files.findByFamilyIdIn(part)
                .forEach(file -> heldThenOrNow.add(file.toSnapshot(true))));
        changes.heldFilesChanged();
        changes.touched(Scope.ofFamilies(familyIds, heldThenOrNow, links));
    }
}
