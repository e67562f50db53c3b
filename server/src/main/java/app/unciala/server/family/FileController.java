package app.unciala.server.family;

import app.unciala.core.font.FontFormat;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.http.Uploads;
import app.unciala.server.inventory.Texts;
import app.unciala.server.license.LicenseService;
import app.unciala.server.storage.FileStore;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Stored bytes by their digest, which never change and may be kept for ever. */
@RestController
class FileController {
    private final FamilyService families;
    private final LicenseService licenses;
    private final FileStore store;

    FileController(FamilyService families, LicenseService licenses, FileStore store) {
        this.families = families;
        this.licenses = licenses;
        this.store = store;
    }

    @GetMapping("/api/files/{sha256}")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/octet-stream"))
    ResponseEntity<Resource> bytes(@PathVariable String sha256) {
        Path stored = store.file(sha256);
        Optional<File> font = families.withBytes(sha256).stream().findFirst();
        String type = font.flatMap(file -> FontFormat.fromKey(file.format()))
                .map(FontFormat::mediaType)
                .orElse(MediaType.APPLICATION_OCTET_STREAM_VALUE);
        String name = font.map(file -> Texts.baseName(file.fileName()))
                .or(() -> licenses.agreementName(sha256))
                .orElse(sha256);
        return Uploads.download(MediaType.parseMediaType(type), name)
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .eTag("\"" + sha256 + "\"")
                .body(Uploads.from(stored));
    }
}
