package app.unciala.server.pack;

import app.unciala.server.http.Page;
import app.unciala.server.pack.PackService.PackView;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.net.URI;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
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
    Page<PackView> list(@PathVariable String id) {
        return Page.of(packs.of(id), PackView::id, null, 100);
    }

    @GetMapping("/api/packs/{id}")
    PackView get(@PathVariable String id) {
        return packs.get(id);
    }

    @GetMapping("/api/packs/{id}.zip")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/zip"))
    ResponseEntity<byte[]> archive(@PathVariable String id) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/zip"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("pack-" + id + ".zip")
                                .build()
                                .toString())
                .body(packs.archive(id));
    }
}
