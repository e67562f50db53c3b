package app.unciala.server.family;

import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.http.Undoable;
import app.unciala.server.http.Versions;
import app.unciala.server.listing.Page;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
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

    FamilyController(FamilyService families) {
        this.families = families;
    }

    record FamilyName(
            @NotBlank(message = "A family name has between 1 and 300 characters.")
            @Size(max = 300, message = "A family name has between 1 and 300 characters.")
            String name) {}

    @GetMapping
    Page<Family> list(
            @RequestParam(required = false) @Nullable String name,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "200") int limit) {
        return families.list(name, cursor, limit);
    }

    @GetMapping("/{id}")
    ResponseEntity<Family> get(@PathVariable String id) {
        Family family = families.get(id);
        return Versions.tagged(family.version(), family);
    }

    @PutMapping("/{id}")
    ResponseEntity<Family> rename(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody FamilyName name) {
        Family family = families.rename(id, Versions.expected(ifMatch), name.name());
        return Versions.tagged(family.version(), family);
    }

    @PostMapping("/{id}/files/{file}/woff2")
    @ResponseStatus(HttpStatus.CREATED)
    File makeWoff2(@PathVariable String id, @PathVariable String file) {
        return families.makeWoff2(id, file);
    }

    @DeleteMapping("/{id}/files/{file}")
    Undoable remove(
            @PathVariable String id,
            @PathVariable String file,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch) {
        return new Undoable(families.remove(id, file, Versions.expected(ifMatch)));
    }
}
