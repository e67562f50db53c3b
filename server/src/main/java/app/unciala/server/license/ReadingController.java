package app.unciala.server.license;

import app.unciala.core.license.TermsReader;
import app.unciala.core.license.TermsReader.AgreementPage;
import app.unciala.core.license.TermsReader.Proposal;
import app.unciala.server.fault.Fault;
import app.unciala.server.http.Uploads;
import app.unciala.server.license.LicenseService.Agreement;
import app.unciala.server.limit.BoundedWork;
import app.unciala.server.limit.Work;
import app.unciala.server.storage.FileStore;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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
    private static final int MOST_PAGES = 200;

    private final AgreementText texts;
    private final DocumentPictures pictures;
    private final LicenseService licenses;
    private final FileStore store;
    private final BoundedWork work;

    ReadingController(
            AgreementText texts,
            DocumentPictures pictures,
            LicenseService licenses,
            FileStore store,
            BoundedWork work) {
        this.work = work;
        this.texts = texts;
        this.pictures = pictures;
        this.licenses = licenses;
        this.store = store;
    }

    /** The pages of an agreement, and what they propose; {@code value} as the field of a license takes it. */
    record ReadAgreement(List<AgreementPage> pages, List<Proposal> proposals) {}

    private ReadAgreement proposed(List<AgreementPage> pages) {
        return new ReadAgreement(pages, work.of(Work.AGREEMENT, () -> TermsReader.read(pages)));
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
            return proposed(texts.read(copy, Uploads.name(file, "agreement")));
        } finally {
            Files.deleteIfExists(copy);
        }
    }

    @PostMapping(path = "/reading/text")
    ReadAgreement read(@Valid @RequestBody Pasted pasted) {
        return proposed(List.of(new AgreementPage(0, pasted.text())));
    }

    /** How a document is shown: as pictures of its pages, or as text where it has none. */
    record ShownDocument(int pages, String text) {}

    @GetMapping("/{id}/documents/{documentId}")
    ShownDocument show(@PathVariable String id, @PathVariable String documentId) {
        Agreement document = document(id, documentId);
        Path file = store.file(document.sha256());
        int pages = pictures.pages(file, document.fileName());
        String text = pages > 0
                ? ""
                : texts.read(file, document.fileName()).stream()
                        .map(AgreementPage::text)
                        .collect(Collectors.joining());
        return new ShownDocument(Math.min(pages, MOST_PAGES), text);
    }

    @GetMapping(path = "/{id}/documents/{documentId}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(@PathVariable String id, @PathVariable String documentId, @PathVariable int page) {
        Agreement document = document(id, documentId);
        return ResponseEntity.ok()
                .cacheControl(Uploads.FOR_EVER)
                .body(pictures.png(store.file(document.sha256()), document.fileName(), page));
    }

    private Agreement document(String id, String documentId) {
        return licenses.get(id).agreement().stream()
                .filter(one -> one.id().equals(documentId))
                .findFirst()
                .orElseThrow(() -> Fault.notFound("document", documentId));
    }

    /** Reads the agreement of a license again: the latest, else its latest document of another kind. */
    @GetMapping("/{id}/reading")
    ReadAgreement read(@PathVariable String id) {
        Agreement latest = licenses.get(id).agreement().stream()
                .min(Comparator.comparing(Agreement::kind))
                .orElseThrow(() -> Fault.conflict("No document is attached to this license."));
        return proposed(texts.read(store.file(latest.sha256()), latest.fileName()));
    }
}
