package app.unciala.server.family;

import app.unciala.core.font.FontFormat;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.storage.FileStore;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Stored bytes by their digest, which never change and may be kept for ever. */
@RestController
class FileController {
    private final FamilyService families;
    private final FileStore store;

    FileController(FamilyService families, FileStore store) {
        this.families = families;
        this.store = store;
    }

    @GetMapping("/api/files/{sha256}")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/octet-stream"))
    ResponseEntity<byte[]> bytes(@PathVariable String sha256) {
        byte[] bytes = store.get(sha256);
        Optional<File> file = families.withBytes(sha256).stream().findFirst();
        String type = file.flatMap(f -> FontFormat.fromKey(f.format()))
                .map(FontFormat::mediaType)
                .orElse(MediaType.APPLICATION_OCTET_STREAM_VALUE);
        String name = file.map(f -> f.fileName().replaceAll("^.*/", "")).orElse(sha256);
        return ResponseEntity.ok()
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .eTag("\"" + sha256 + "\"")
                .contentType(MediaType.parseMediaType(type))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(bytes);
    }
}
