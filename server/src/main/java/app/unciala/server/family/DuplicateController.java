package app.unciala.server.family;

import app.unciala.server.family.Duplicates.Group;
import app.unciala.server.family.Duplicates.Kind;
import app.unciala.server.family.Duplicates.Settled;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/duplicates")
class DuplicateController {
    private final Duplicates duplicates;

    DuplicateController(Duplicates duplicates) {
        this.duplicates = duplicates;
    }

    /** Which file of a group stays; those of its members that repeat it are retired. */
    record Settlement(
            @NotNull(message = "Name the kind of the group.")
            Kind kind,

            @NotBlank(message = "Name the file that stays.")
            @Size(max = 20, message = "A file’s id has at most 20 characters.")
            String keep,

            @NotNull(message = "Name the files of the group.")
            @Size(min = 1, max = 200, message = "Name 1 to 200 files of the group.")
            List<@NotNull(message = "A file is named by its id.") String> members) {}

    @GetMapping
    List<Group> list() {
        return duplicates.list();
    }

    @PostMapping("/settle")
    Settled settle(@Valid @RequestBody Settlement settlement) {
        return duplicates.settle(settlement.kind(), settlement.keep(), settlement.members());
    }
}
