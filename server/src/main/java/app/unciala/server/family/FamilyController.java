package app.unciala.server.family;

import app.unciala.font.face.Classification;
import app.unciala.server.family.FamilyFilter.Group;
import app.unciala.server.family.FamilyFilter.Licensed;
import app.unciala.server.family.FamilyFilter.Order;
import app.unciala.server.family.FamilyFilter.Used;
import app.unciala.server.family.FamilyList.Listed;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.family.FamilyService.Origin;
import app.unciala.server.family.MadeFormats.Making;
import app.unciala.server.family.MadeFormats.Plan;
import app.unciala.server.family.Merging.Merged;
import app.unciala.server.family.Moving.Moved;
import app.unciala.server.http.Undoable;
import app.unciala.server.http.Versions;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.listing.Page;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/families")
class FamilyController {
    private final FamilyService families;
    private final FamilyList list;
    private final MadeFormats formats;
    private final Moving moving;
    private final Merging merging;
    private final SupersededFiles superseded;

    FamilyController(
            FamilyService families,
            FamilyList list,
            MadeFormats formats,
            Moving moving,
            Merging merging,
            SupersededFiles superseded) {
        this.superseded = superseded;
        this.formats = formats;
        this.moving = moving;
        this.merging = merging;
        this.families = families;
        this.list = list;
    }

    /** What a person edits of a family; a foundry or a kind of type that is left out or null stays. */
    record FamilyDraft(
            @NotBlank(message = "A family name has between 1 and 300 characters.")
            @Size(max = 300, message = "A family name has between 1 and 300 characters.")
            String name,

            @Size(max = 300, message = "A foundry’s name has at most 300 characters.") @Nullable
            String foundry,

            @Schema(types = {"string", "null"}) @Nullable Classification classification) {}

    /** Files of a family that go to another slot, or to a family of this name. */
    record Move(
            @NotEmpty(message = "Say which files move.") @Size(max = 500, message = "At most 500 files move at once.")
            List<@NotNull(message = "A file is an id.") String> files,

            @Nullable SlotView slot,

            @Nullable String family) {}

    record MergeInto(
            @NotBlank(message = "Choose another family to merge this one into.")
            String into) {}

    @GetMapping
    Page<Listed> list(
            @RequestParam(required = false) @Nullable String name,
            @RequestParam(required = false) @Nullable Classification classification,
            @RequestParam(required = false) @Nullable String foundry,
            @RequestParam(required = false) @Nullable Licensed license,
            @RequestParam(required = false) @Nullable String lacking,
            @RequestParam(required = false) @Nullable String language,
            @RequestParam(required = false) @Nullable Boolean variable,
            @RequestParam(required = false) @Nullable Used use,
            @RequestParam(required = false) @Nullable String client,
            @RequestParam(required = false) @Nullable Group group,
            @RequestParam(defaultValue = "NAME") Order order,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "200") int limit) {
        FamilyFilter filter = new FamilyFilter(
                name, classification, foundry, license, lacking, language, variable, use, client, group, order);
        return list.page(filter, cursor, limit);
    }

    @GetMapping("/foundries")
    List<String> foundries() {
        return list.foundries();
    }

    @GetMapping("/{id}")
    ResponseEntity<Family> get(@PathVariable String id) {
        Family family = families.get(id);
        return Versions.tagged(family.version(), family);
    }

    @PutMapping("/{id}")
    ResponseEntity<Family> edit(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody FamilyDraft draft) {
        Family family =
                families.edit(id, Versions.expected(ifMatch), draft.name(), draft.foundry(), draft.classification());
        return Versions.tagged(family.version(), family);
    }

    /** Where the files came from, by the ids of the files; those that were made here are left out. */
    @GetMapping("/{id}/origins")
    Map<String, Origin> origins(@PathVariable String id) {
        return families.origins(id);
    }

    @GetMapping("/{id}/superseded")
    List<File> superseded(@PathVariable String id) {
        return superseded.of(id);
    }

    /** Has a superseded file held again, in place of what is held for its slot in other drawings. */
    @PostMapping("/{id}/superseded/{file}/held")
    Undoable holdAgain(
            @PathVariable String id,
            @PathVariable String file,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch) {
        return new Undoable(superseded.holdAgain(id, file, Versions.expected(ifMatch)));
    }

    /** The faces that do not hold a format, whether licenses let it be made, and what is being made. */
    @GetMapping("/{id}/formats/{format}")
    Plan formats(@PathVariable String id, @PathVariable String format) {
        return formats.plan(id, format);
    }

    /** Makes a format for all faces that lack it, by a job. */
    @PostMapping("/{id}/formats/{format}")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Making makeFormats(
            @PathVariable String id,
            @PathVariable String format,
            @RequestParam(defaultValue = "false") boolean anyway) {
        return formats.makeAll(id, format, anyway);
    }

    /** Makes a format of one file. */
    @PostMapping("/{id}/files/{file}/formats/{format}")
    @ResponseStatus(HttpStatus.CREATED)
    File makeFormat(
            @PathVariable String id,
            @PathVariable String file,
            @PathVariable String format,
            @RequestParam(defaultValue = "false") boolean anyway) {
        return formats.make(id, file, format, anyway);
    }

    /** Moves files to another slot, or to another family; what is left out stays. */
    @PatchMapping("/{id}/files")
    Moved move(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody Move move) {
        return moving.move(id, Versions.expected(ifMatch), move.files(), move.slot(), move.family());
    }

    @PostMapping("/{id}/merge")
    Merged merge(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody MergeInto merge) {
        return merging.merge(id, Versions.expected(ifMatch), merge.into());
    }

    @DeleteMapping("/{id}/files/{file}")
    Undoable remove(
            @PathVariable String id,
            @PathVariable String file,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch) {
        return new Undoable(families.remove(id, file, Versions.expected(ifMatch)));
    }
}
