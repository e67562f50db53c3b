package app.unciala.server.license;

import app.unciala.core.license.Basis;
import app.unciala.server.http.Undoable;
import app.unciala.server.http.Uploads;
import app.unciala.server.http.Versions;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.listing.Page;
import app.unciala.server.storage.FileStore;
import jakarta.validation.Valid;
import java.io.IOException;
import java.io.InputStream;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api/licenses")
class LicenseController {
    private final LicenseService licenses;
    private final FileStore store;

    LicenseController(LicenseService licenses, FileStore store) {
        this.licenses = licenses;
        this.store = store;
    }

    @GetMapping
    Page<Recorded> list(
            @RequestParam(required = false) @Nullable String name,
            @RequestParam(required = false) @Nullable Basis basis,
            @RequestParam(required = false) @Nullable String holder,
            @RequestParam(required = false) LicenseFilter.@Nullable State state,
            @RequestParam(required = false) @Nullable String order,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "200") int limit) {
        return licenses.list(new LicenseFilter(name, basis, holder, state), "ends".equals(order), cursor, limit);
    }

    @PostMapping
    ResponseEntity<Recorded> create(@Valid @RequestBody LicenseDraft draft) {
        Recorded license = licenses.create(draft);
        return Versions.tagged(HttpStatus.CREATED, license.version(), license);
    }

    @GetMapping("/{id}")
    ResponseEntity<Recorded> get(@PathVariable String id) {
        Recorded license = licenses.get(id);
        return Versions.tagged(license.version(), license);
    }

    @PutMapping("/{id}")
    ResponseEntity<Recorded> update(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody LicenseDraft draft) {
        Recorded license = licenses.update(id, Versions.expected(ifMatch), draft);
        return Versions.tagged(license.version(), license);
    }

    @PostMapping(path = "/{id}/agreement", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ResponseEntity<Recorded> attach(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @RequestParam(defaultValue = "AGREEMENT") DocumentKind kind,
            @RequestPart MultipartFile file)
            throws IOException {
        long version = Versions.expected(ifMatch);
        licenses.get(id);
        try (InputStream in = file.getInputStream()) {
            Recorded license = licenses.attach(id, version, kind, Uploads.name(file, "document"), store.put(in));
            return Versions.tagged(license.version(), license);
        }
    }

    /** The ids of the sites that stand on the license. */
    @GetMapping("/{id}/dependents")
    Set<String> dependents(@PathVariable String id) {
        return licenses.sitesOn(id);
    }

    @DeleteMapping("/{id}")
    Undoable delete(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch) {
        return new Undoable(licenses.delete(id, Versions.expected(ifMatch)));
    }
}
