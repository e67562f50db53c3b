package app.unciala.server.family;

import app.unciala.font.FontFormat;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.http.Uploads;
import app.unciala.server.inventory.Texts;
import app.unciala.server.license.LicenseService;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.LetterCuts;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Stored bytes by their digest, which never change and may be kept for ever. */
@RestController
class FileController {
    /** What is read out of a font stays the same until a later version of the product reads more. */
    private static final CacheControl A_WHILE =
            CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate();

    private final FamilyService families;
    private final LicenseService licenses;
    private final FileStore store;
    private final LetterCuts cuts;

    FileController(FamilyService families, LicenseService licenses, FileStore store, LetterCuts cuts) {
        this.families = families;
        this.licenses = licenses;
        this.store = store;
        this.cuts = cuts;
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
                .cacheControl(Uploads.FOR_EVER)
                .eTag("\"" + sha256 + "\"")
                .body(Uploads.from(stored));
    }

    /** The font cut to the letters of a text, which is what a list shows of it. */
    @GetMapping("/api/files/{sha256}/letters")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "font/woff2"))
    ResponseEntity<Resource> letters(@PathVariable String sha256, @RequestParam String text) {
        return Uploads.font(cuts.cut(sha256, store.file(sha256), text));
    }

    /** What a stored font says of itself. */
    @GetMapping("/api/files/{sha256}/details")
    ResponseEntity<FileDetails> details(@PathVariable String sha256) {
        return ResponseEntity.ok().cacheControl(A_WHILE).body(FileDetails.of(store.file(sha256)));
    }

    /** In what two stored fonts differ. */
    @GetMapping("/api/files/{sha256}/compare/{other}")
    ResponseEntity<FileComparison> compare(@PathVariable String sha256, @PathVariable String other) {
        return ResponseEntity.ok().cacheControl(A_WHILE).body(FileComparison.of(store.file(sha256), store.file(other)));
    }
}
