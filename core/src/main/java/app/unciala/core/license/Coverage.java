package app.unciala.core.license;

import app.unciala.font.face.Slot;
import java.util.List;

/** What a license covers of one family: the faces listed, or the whole family when none is. */
public record Coverage(String familyId, List<Slot> faces) {
    public Coverage {
        faces = List.copyOf(faces);
    }

    boolean covers(String family, Slot slot) {
        return familyId.equals(family) && (faces.isEmpty() || faces.stream().anyMatch(face -> face.serves(slot)));
    }
}
