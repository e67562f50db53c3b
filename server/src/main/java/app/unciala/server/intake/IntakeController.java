package app.unciala.server.intake;

import app.unciala.server.http.Undoable;
import app.unciala.server.http.Uploads;
import app.unciala.server.intake.IntakeService.Accepted;
import app.unciala.server.intake.IntakeService.Correction;
import app.unciala.server.intake.IntakeService.FileRow;
import app.unciala.server.intake.IntakeService.Intake;
import app.unciala.server.intake.IntakeService.Summary;
import app.unciala.server.intake.IntakeService.Upload;
import app.unciala.server.listing.Page;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.constraints.NotNull;
import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api/intakes")
class IntakeController {
    private final IntakeService intakes;

    IntakeController(IntakeService intakes) {
        this.intakes = intakes;
    }

    record Opened(String id) {}

    /** How many intakes are being read or wait for somebody. */
    record Waiting(long intakes) {}

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.ACCEPTED)
    Opened open(@RequestPart List<MultipartFile> files) {
        List<Upload> uploads = files.stream()
                .map(file -> new Upload(Uploads.name(file, "file"), file::getInputStream))
                .toList();
        return new Opened(intakes.open(uploads));
    }

    @GetMapping
    Page<Summary> list(
            @RequestParam(required = false) @Nullable String cursor, @RequestParam(defaultValue = "100") int limit) {
        return intakes.list(cursor, limit);
    }

    @GetMapping("/waiting")
    Waiting waiting() {
        return new Waiting(intakes.waiting());
    }

    @GetMapping("/{id}")
    Intake get(
            @PathVariable String id,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "500") int limit) {
        return intakes.get(id, cursor, limit);
    }

    @PatchMapping("/{id}/items/{item}")
    FileRow correct(@PathVariable String id, @PathVariable String item, @NotNull @RequestBody Correction correction) {
        return intakes.correct(id, item, correction);
    }

    @GetMapping("/{id}/items/{item}/bytes")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/octet-stream"))
    ResponseEntity<Resource> bytes(@PathVariable String id, @PathVariable String item) {
        Path file = intakes.bytes(id, item);
        return Uploads.download(MediaType.APPLICATION_OCTET_STREAM, item).body(Uploads.from(file));
    }

    @PostMapping("/{id}/accept")
    Accepted accept(@PathVariable String id) {
        return intakes.accept(id);
    }

    @DeleteMapping("/{id}")
    Undoable discard(@PathVariable String id) {
        return new Undoable(intakes.discard(id));
    }
}
