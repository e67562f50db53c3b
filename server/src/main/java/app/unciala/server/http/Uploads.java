package app.unciala.server.http;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.multipart.MultipartFile;

/** Files that people sent: their names, and sending them back so that nothing in them runs in our origin. */
public final class Uploads {
    private static final String NOTHING_RUNS = "sandbox; default-src 'none'; frame-ancestors 'none'";

    /** For what stands under its digest and so never changes. */
    public static final CacheControl FOR_EVER =
            CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable();

    private Uploads() {}

    /** The name that a browser gave a file, or another when it gave none. */
    public static String name(MultipartFile file, String otherwise) {
        String name = file.getOriginalFilename();
        return name == null || name.isBlank() ? otherwise : name;
    }

    /** An answer that sends a file from the disk, to be saved under a name and never shown or run as a page. */
    public static ResponseEntity.BodyBuilder download(MediaType type, String name) {
        return ResponseEntity.ok()
                .contentType(type)
                .header("Content-Security-Policy", NOTHING_RUNS)
                .header("X-Content-Type-Options", "nosniff")
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString());
    }

    /** A font in which a page sets text. */
    public static ResponseEntity<Resource> font(Path file) {
        return ResponseEntity.ok()
                .contentType(new MediaType("font", "woff2"))
                .header("Content-Security-Policy", NOTHING_RUNS)
                .header("X-Content-Type-Options", "nosniff")
                .cacheControl(FOR_EVER)
                .body(from(file));
    }

    public static Resource from(Path file) {
        return new FileSystemResource(file);
    }
}
