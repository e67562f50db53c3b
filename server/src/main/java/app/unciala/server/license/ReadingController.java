package app.unciala.server.license;

import app.unciala.core.license.TermsReader;
import app.unciala.core.license.TermsReader.AgreementPage;
import app.unciala.core.license.TermsReader.Proposal;
import app.unciala.server.fault.Fault;
import app.unciala.server.http.Uploads;
import app.unciala.server.license.LicenseService.Agreement;
import app.unciala.server.storage.FileStore;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Reads agreements: their text, and what it seems to say of each term. Nothing is recorded by reading. */
@RestController
@RequestMapping("/api/licenses")
class ReadingController {
    private final AgreementText texts;
    private final LicenseService licenses;
    private final FileStore store;

    ReadingController(AgreementText texts, LicenseService licenses, FileStore store) {
        this.texts = texts;
        this.licenses = licenses;
        this.store = store;
    }

    /** The pages of an agreement, and what they propose; {@code value} as the field of a license takes it. */
    record ReadAgreement(List<AgreementPage> pages, List<Proposal> proposals) {
        static ReadAgreement of(List<AgreementPage> pages) {
            return new ReadAgreement(pages, TermsReader.read(pages));
        }
    }

    record Pasted(
            @NotBlank(message = "Paste the text of the agreement.")
            @Size(max = 1_000_000, message = "A text has at most a million characters.")
            String text) {}

    @PostMapping(path = "/reading", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ReadAgreement read(@RequestPart MultipartFile file) throws IOException {
        Path copy = Files.createTempFile("agreement", "");
        try {
            file.transferTo(copy);
            return ReadAgreement.of(texts.read(copy, Uploads.name(file, "agreement")));
        } finally {
            Files.deleteIfExists(copy);
        }
    }

    @PostMapping(path = "/reading/text")
    ReadAgreement read(@Valid @RequestBody Pasted pasted) {
        return ReadAgreement.of(List.of(new AgreementPage(0, pasted.text())));
    }

    /** Reads the latest document of a license again. */
    @GetMapping("/{id}/reading")
    ReadAgreement read(@PathVariable String id) {
        Agreement latest = licenses.get(id).agreement().stream()
                .findFirst()
                .orElseThrow(() -> Fault.conflict("No document is attached to this license."));
        return ReadAgreement.of(texts.read(store.file(latest.sha256()), latest.fileName()));
    }
}
