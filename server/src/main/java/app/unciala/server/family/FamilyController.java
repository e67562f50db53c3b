package app.unciala.server.family;

import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.http.Page;
import app.unciala.server.http.Versions;
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

    record FamilyName(String name) {}

    @GetMapping
    Page<Family> list(
            @RequestParam(required = false) @Nullable String cursor, @RequestParam(defaultValue = "200") int limit) {
        return Page.of(families.all(), Family::id, cursor, limit);
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
            @RequestBody FamilyName name) {
        Family family = families.rename(id, Versions.expected(ifMatch), name.name());
        return Versions.tagged(family.version(), family);
    }

    @PostMapping("/{id}/files/{file}/woff2")
    @ResponseStatus(HttpStatus.CREATED)
    File makeWoff2(@PathVariable String id, @PathVariable String file) {
        return families.makeWoff2(id, file);
    }

    @DeleteMapping("/{id}/files/{file}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String id, @PathVariable String file) {
        families.remove(id, file);
    }
}
