package app.unciala.server.license;

import app.unciala.server.inventory.SlotView;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/** What a license covers of one family: the faces listed, or all of it when none is. */
public record Covered(
        @NotBlank(message = "What is covered is a family.")
        @Size(max = 20, message = "A family’s id has at most 20 characters.")
        String familyId,

        @Size(max = 500, message = "At most 500 faces of a family are named.")
        List<@NotNull(message = "A face is a slot.") SlotView> faces) {
    public Covered {
        faces = LicenseDraft.copy(faces);
    }
}
