package app.unciala.server.license;

import app.unciala.server.http.Page;
import app.unciala.server.http.Versions;
import app.unciala.server.license.LicenseService.LicenseDraft;
import app.unciala.server.license.LicenseService.Recorded;
import java.io.IOException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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

    LicenseController(LicenseService licenses) {
        this.licenses = licenses;
    }

    @GetMapping
    Page<Recorded> list(
            @RequestParam(required = false) @Nullable String cursor, @RequestParam(defaultValue = "200") int limit) {
        return Page.of(licenses.all(), Recorded::id, cursor, limit);
    }

    @PostMapping
    ResponseEntity<Recorded> create(@RequestBody LicenseDraft draft) {
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
            @RequestBody LicenseDraft draft) {
        Recorded license = licenses.update(id, Versions.expected(ifMatch), draft);
        return Versions.tagged(license.version(), license);
    }

    @PostMapping(path = "/{id}/agreement", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ResponseEntity<Recorded> attach(@PathVariable String id, @RequestPart MultipartFile file) throws IOException {
        String name = Optional.ofNullable(file.getOriginalFilename()).orElse("agreement");
        Recorded license = licenses.attach(id, name, file.getBytes());
        return Versions.tagged(license.version(), license);
    }
}
