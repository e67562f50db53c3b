package app.unciala.server.pack;

import app.unciala.server.http.Uploads;
import app.unciala.server.listing.Page;
import app.unciala.server.pack.PackService.Archive;
import app.unciala.server.pack.PackService.PackView;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.net.URI;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PackController {
    private final PackService packs;

    PackController(PackService packs) {
        this.packs = packs;
    }

    @PostMapping("/api/sites/{id}/packs")
    ResponseEntity<PackView> make(@PathVariable String id) {
        PackView pack = packs.make(id);
        return ResponseEntity.created(URI.create("/api/packs/" + pack.id())).body(pack);
    }

    @GetMapping("/api/sites/{id}/packs")
    Page<PackView> list(
            @PathVariable String id,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "20") int limit) {
        return packs.of(id, cursor, limit);
    }

    @GetMapping("/api/packs/{id}")
    PackView get(@PathVariable String id) {
        return packs.get(id);
    }

    @GetMapping("/api/packs/{id}.zip")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/zip"))
    ResponseEntity<Resource> archive(@PathVariable String id) {
        Archive archive = packs.archive(id);
        return Uploads.download(MediaType.parseMediaType("application/zip"), archive.name())
                .body(Uploads.from(archive.file()));
    }
}
