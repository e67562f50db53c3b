package app.unciala.server.intake;

import app.unciala.server.http.Page;
import app.unciala.server.intake.IntakeService.Accepted;
import app.unciala.server.intake.IntakeService.Correction;
import app.unciala.server.intake.IntakeService.Intake;
import app.unciala.server.intake.IntakeService.Summary;
import app.unciala.server.intake.IntakeService.Upload;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
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

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.ACCEPTED)
    Opened open(@RequestPart List<MultipartFile> files) {
        List<Upload> uploads = files.stream()
                .map(file -> new Upload(
                        Optional.ofNullable(file.getOriginalFilename()).orElse("file"),
                        file.getSize(),
                        file::getInputStream))
                .toList();
        return new Opened(intakes.open(uploads));
    }

    @GetMapping
    Page<Summary> list(
            @RequestParam(required = false) @Nullable String cursor, @RequestParam(defaultValue = "100") int limit) {
        return Page.of(intakes.all(), Summary::id, cursor, limit);
    }

    @GetMapping("/{id}")
    Intake get(@PathVariable String id) {
        return intakes.get(id);
    }

    @PatchMapping("/{id}/items/{item}")
    Intake correct(@PathVariable String id, @PathVariable String item, @RequestBody Correction correction) {
        intakes.correct(id, item, correction);
        return intakes.get(id);
    }

    @GetMapping("/{id}/items/{item}/bytes")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/octet-stream"))
    ResponseEntity<byte[]> bytes(@PathVariable String id, @PathVariable String item) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(intakes.bytes(id, item));
    }

    @PostMapping("/{id}/accept")
    Accepted accept(@PathVariable String id) {
        return intakes.accept(id);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(@PathVariable String id) {
        intakes.discard(id);
    }
}
