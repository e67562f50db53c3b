package app.unciala.server.backup;

import app.unciala.server.backup.BackupArchive.Manifest;
import app.unciala.server.backup.BackupService.Backup;
import app.unciala.server.backup.BackupService.BackupProgress;
import app.unciala.server.fault.Fault;
import app.unciala.server.http.Uploads;
import app.unciala.server.job.Jobs;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Backups, for administrators; and for the command on this machine, which shows the token of the data folder. */
@RestController
@RequestMapping("/api/backups")
class BackupController {
    private final BackupService backups;
    private final OneTimeTask<Void> makeBackup;
    private final Jobs jobs;
    private final LocalToken token;

    BackupController(BackupService backups, OneTimeTask<Void> makeBackup, Jobs jobs, LocalToken token) {
        this.backups = backups;
        this.makeBackup = makeBackup;
        this.jobs = jobs;
        this.token = token;
    }

    /** The backups that are there, and how far the next one is. */
    record Backups(List<Backup> items, BackupProgress progress) {}

    /** Where the command wants its backup. */
    record Target(@Nullable String file) {}

    @GetMapping
    Backups list() {
        return new Backups(backups.list(), backups.progress());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    void make() {
        jobs.soon(makeBackup, "backup");
    }

    @GetMapping("/{name}")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/zip"))
    ResponseEntity<Resource> download(@PathVariable String name) {
        Path file = backups.file(name);
        return Uploads.download(MediaType.parseMediaType("application/zip"), name)
                .body(Uploads.from(file));
    }

    @DeleteMapping("/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable String name) {
        backups.delete(name);
    }

    @Hidden
    @PostMapping("/local")
    Manifest makeFor(
            @RequestHeader(name = LocalToken.HEADER, required = false) @Nullable String shown,
            @RequestBody Target target)
            throws IOException {
        token.mustBe(shown);
        if (target.file() == null || !Path.of(target.file()).isAbsolute()) {
            throw Fault.invalid("file", "Name the file by its whole path.");
        }
        try {
            return backups.make(Path.of(target.file()));
        } catch (BackupArchive.BadBackup e) {
            throw Fault.conflict(String.valueOf(e.getMessage()));
        }
    }
}
