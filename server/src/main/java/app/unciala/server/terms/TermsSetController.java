package app.unciala.server.terms;

import app.unciala.server.http.Undoable;
import app.unciala.server.http.Versions;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.terms.TermsSetService.TermsSet;
import jakarta.validation.Valid;
import java.util.List;
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
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/terms")
class TermsSetController {
    private final TermsSetService sets;

    TermsSetController(TermsSetService sets) {
        this.sets = sets;
    }

    @GetMapping
    List<TermsSet> list() {
        return sets.all();
    }

    @PostMapping
    ResponseEntity<TermsSet> create(@Valid @RequestBody LicenseDraft draft) {
        TermsSet set = sets.create(draft);
        return Versions.tagged(HttpStatus.CREATED, set.version(), set);
    }

    @GetMapping("/{id}")
    ResponseEntity<TermsSet> get(@PathVariable String id) {
        TermsSet set = sets.get(id);
        return Versions.tagged(set.version(), set);
    }

    @PutMapping("/{id}")
    ResponseEntity<TermsSet> update(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody LicenseDraft draft) {
        TermsSet set = sets.update(id, Versions.expected(ifMatch), draft);
        return Versions.tagged(set.version(), set);
    }

    @DeleteMapping("/{id}")
    Undoable delete(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch) {
        return new Undoable(sets.delete(id, Versions.expected(ifMatch)));
    }
}
