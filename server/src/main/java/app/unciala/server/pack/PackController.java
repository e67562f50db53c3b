package app.unciala.server.pack;

import app.unciala.core.pack.PackedFile;
import app.unciala.server.http.Uploads;
import app.unciala.server.listing.Page;
import app.unciala.server.pack.PackJobs.PackMaking;
import app.unciala.server.pack.PackService.Archive;
import app.unciala.server.pack.PackService.PackChanges;
import app.unciala.server.pack.PackService.PackView;
import app.unciala.server.pack.PackWeights.PastedUrls;
import app.unciala.server.pack.PackWeights.Wanted;
import app.unciala.server.pack.PackWeights.WeightView;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.net.URI;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PackController {
    private final PackService packs;
    private final PackJobs jobs;
    private final PackWeights weights;

    PackController(PackService packs, PackJobs jobs, PackWeights weights) {
        this.packs = packs;
        this.jobs = jobs;
        this.weights = weights;
    }

    @PostMapping("/api/sites/{id}/packs")
    ResponseEntity<PackView> make(
            @PathVariable String id, @Valid @RequestBody(required = false) @Nullable Anyway anyway) {
        PackView pack = packs.make(id, reason(anyway));
        return ResponseEntity.created(URI.create("/api/packs/" + pack.id())).body(pack);
    }

    /** Begins to make a pack, away from the request. */
    @PostMapping("/api/sites/{id}/packs/making")
    @ResponseStatus(HttpStatus.ACCEPTED)
    PackMaking start(@PathVariable String id, @Valid @RequestBody(required = false) @Nullable Anyway anyway) {
        return jobs.start(id, reason(anyway));
    }

    @GetMapping("/api/sites/{id}/packs/making")
    PackMaking making(@PathVariable String id) {
        return jobs.of(id);
    }

    private static Optional<String> reason(@Nullable Anyway anyway) {
        return Optional.ofNullable(anyway).map(Anyway::reason).filter(reason -> !reason.isBlank());
    }

    /** Why what is not allowed goes into a pack all the same. */
    record Anyway(
            @Schema(types = {"string", "null"})
            @Size(max = 2000, message = "A reason has at most 2,000 characters.")
            @Nullable
            String reason) {}

    @GetMapping("/api/sites/{id}/packs")
    Page<PackView> list(
            @PathVariable String id,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "20") int limit) {
        return packs.of(id, cursor, limit);
    }

    /** The day on which a pack was placed on its host. */
    record Placed(
            @Schema(
                    types = {"string", "null"},
                    format = "date")
            @Nullable
            LocalDate day) {}

    /** The font files of a pack with what a host's form asks for each; none for packs of earlier versions. */
    @GetMapping("/api/packs/{id}/files")
    Page<PackedFile> files(@PathVariable String id) {
        return new Page<>(packs.files(id), null);
    }

    @PutMapping("/api/packs/{id}/placed")
    PackView place(@PathVariable String id, @Valid @RequestBody Placed placed) {
        return packs.place(id, placed.day());
    }

    /** Whether one step of a pack's checklist is done; several people may each tick theirs. */
    record Ticked(
            @NotBlank(message = "Say which step.") @Size(max = 4000)
            String step,

            boolean done) {}

    @PutMapping("/api/packs/{id}/checklist")
    PackView tick(@PathVariable String id, @Valid @RequestBody Ticked ticked) {
        return packs.tick(id, ticked.step(), ticked.done());
    }

    @PostMapping("/api/sites/{id}/weight")
    WeightView weigh(@PathVariable String id, @Valid @RequestBody Wanted wanted) {
        return weights.weigh(id, wanted);
    }

    /** A font as packs deliver it, at the address that its weight was told with. */
    @GetMapping("/api/files/{sha256}/delivered/{name}")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "font/woff2"))
    ResponseEntity<Resource> delivered(@PathVariable String sha256, @PathVariable String name) {
        return Uploads.font(weights.delivered(sha256, name));
    }

    @PostMapping("/api/sites/{id}/urls")
    Map<String, String> match(@PathVariable String id, @Valid @RequestBody PastedUrls pasted) {
        return weights.match(id, pasted);
    }

    @GetMapping("/api/packs/{id}")
    PackView get(@PathVariable String id) {
        return packs.get(id);
    }

    @GetMapping("/api/packs/{id}/changes")
    PackChanges changes(@PathVariable String id) {
        return packs.changes(id);
    }

    @GetMapping("/api/packs/{id}.zip")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/zip"))
    ResponseEntity<Resource> archive(@PathVariable String id) {
        Archive archive = packs.archive(id);
        return Uploads.download(MediaType.parseMediaType("application/zip"), archive.name())
                .body(Uploads.from(archive.file()));
    }
}
