package app.unciala.server.intake;

import app.unciala.server.http.Undoable;
import app.unciala.server.http.Uploads;
import app.unciala.server.intake.Acceptance.Accepted;
import app.unciala.server.intake.IntakeComparison.WithHeld;
import app.unciala.server.intake.IntakeFamilies.Group;
import app.unciala.server.intake.IntakeFamilies.Overview;
import app.unciala.server.intake.IntakeFiles.Text;
import app.unciala.server.intake.IntakeProgress.Progress;
import app.unciala.server.intake.IntakeService.Correction;
import app.unciala.server.intake.IntakeService.FileRow;
import app.unciala.server.intake.IntakeService.Intake;
import app.unciala.server.intake.IntakeService.Summary;
import app.unciala.server.intake.IntakeService.Upload;
import app.unciala.server.listing.Page;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
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
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

@RestController
@RequestMapping("/api/intakes")
class IntakeController {
    private final IntakeService intakes;
    private final Acceptance acceptance;
    private final IntakeProgress progress;
    private final IntakeFiles files;
    private final IntakeComparison comparison;

    IntakeController(
            IntakeService intakes,
            Acceptance acceptance,
            IntakeProgress progress,
            IntakeFiles files,
            IntakeComparison comparison) {
        this.files = files;
        this.comparison = comparison;
        this.progress = progress;
        this.intakes = intakes;
        this.acceptance = acceptance;
    }

    /** How many files were corrected. */
    record Corrected(int files) {}

    /**
     * The open licenses to record with what goes in, by their SPDX identifiers, and the recorded license under which the
     * other families stand, if there is one.
     */
    record Acceptances(
            @Size(max = 20, message = "At most 20 licenses are recorded at once.")
            List<@NotNull(message = "A license is an SPDX identifier.") String> openLicenses,

            @Schema(types = {"string", "null"}) @Nullable String license) {
        Acceptances {
            openLicenses = openLicenses == null ? List.of() : openLicenses;
        }
    }

    record Opened(String id) {}

    /** How many intakes are being read or wait for somebody. */
    record Waiting(long intakes) {}

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.ACCEPTED)
    Opened open(@RequestPart List<MultipartFile> files, @RequestParam(required = false) @Nullable String flag) {
        List<Upload> uploads = files.stream()
                .map(file -> new Upload(Uploads.name(file, "file"), target -> file.transferTo(target.toFile())))
                .toList();
        return new Opened(intakes.open(uploads, flag));
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

    /** How far it is read, as server-sent events that end when it is. */
    @GetMapping(path = "/{id}/progress", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter progress(@PathVariable String id) {
        Summary now = intakes.summary(id);
        return progress.watch(id, new Progress(now.state(), now.doneBytes(), now.totalBytes(), now.files(), ""));
    }

    @GetMapping("/{id}/overview")
    Overview overview(@PathVariable String id) {
        return intakes.overview(id);
    }

    /** The fonts by family, those first on which somebody has to decide. */
    @GetMapping("/{id}/families")
    Page<Group> families(
            @PathVariable String id,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "50") int limit) {
        return intakes.families(id, cursor, limit);
    }

    @GetMapping("/{id}/files")
    List<FileRow> files(@PathVariable String id, @RequestParam String family) {
        return intakes.ofFamily(id, family);
    }

    /** The first 500 files that are no fonts. */
    @GetMapping("/{id}/others")
    List<FileRow> others(@PathVariable String id) {
        return intakes.others(id);
    }

    @PatchMapping("/{id}/files")
    Corrected correctFamily(
            @PathVariable String id, @RequestParam String family, @NotNull @RequestBody Correction correction) {
        return new Corrected(intakes.correctFamily(id, family, correction));
    }

    @GetMapping("/{id}/items/{item}/text")
    Text text(@PathVariable String id, @PathVariable String item) {
        return files.text(id, item);
    }

    /** In what a file differs from the one that is held in its place. */
    @GetMapping("/{id}/items/{item}/compare")
    WithHeld compare(@PathVariable String id, @PathVariable String item) {
        return comparison.compare(id, item);
    }

    @PatchMapping("/{id}/items/{item}")
    FileRow correct(@PathVariable String id, @PathVariable String item, @NotNull @RequestBody Correction correction) {
        return intakes.correct(id, item, correction);
    }

    @GetMapping("/{id}/items/{item}/bytes")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/octet-stream"))
    ResponseEntity<Resource> bytes(@PathVariable String id, @PathVariable String item) {
        Path file = files.bytes(id, item);
        return Uploads.download(MediaType.APPLICATION_OCTET_STREAM, item).body(Uploads.from(file));
    }

    @GetMapping("/{id}/items/{item}/letters")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "font/woff2"))
    ResponseEntity<Resource> letters(@PathVariable String id, @PathVariable String item, @RequestParam String text) {
        return Uploads.font(files.letters(id, item, text));
    }

    @PostMapping("/{id}/accept")
    Accepted accept(@PathVariable String id, @Valid @RequestBody(required = false) @Nullable Acceptances asked) {
        return asked == null
                ? acceptance.accept(id, Set.of(), null)
                : acceptance.accept(id, new LinkedHashSet<>(asked.openLicenses()), asked.license());
    }

    @DeleteMapping("/{id}")
    Undoable discard(@PathVariable String id) {
        return new Undoable(intakes.discard(id));
    }
}
