package app.unciala.server.ledger;

import app.unciala.server.fault.Fault;
import app.unciala.server.http.Uploads;
import app.unciala.server.listing.ImportReport;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api")
class LedgerController {
    private static final String JSON_LD = "application/ld+json";
    private static final long LONGEST = 20_000_000;

    private final LicenseLedger ledger;

    LedgerController(LicenseLedger ledger) {
        this.ledger = ledger;
    }

    @GetMapping(path = "/licenses.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv() {
        return file("text/csv", "licenses.csv", ledger.csv());
    }

    @GetMapping(path = "/licenses.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> json() {
        return file(MediaType.APPLICATION_JSON_VALUE, "licenses.json", ledger.json());
    }

    /** All licenses as ODRL policies (W3C ODRL 2.2, JSON-LD). */
    @GetMapping(path = "/licenses.jsonld", produces = JSON_LD)
    ResponseEntity<byte[]> odrl() {
        return file(JSON_LD, "licenses.jsonld", ledger.odrl());
    }

    @GetMapping(path = "/licenses/{id}/odrl", produces = JSON_LD)
    ResponseEntity<byte[]> odrl(@PathVariable String id) {
        return file(JSON_LD, "license-" + id + ".jsonld", ledger.odrl(id));
    }

    private static ResponseEntity<byte[]> file(String type, String name, String text) {
        return Uploads.download(new MediaType(MediaType.valueOf(type), StandardCharsets.UTF_8), name)
                .body(text.getBytes(StandardCharsets.UTF_8));
    }

    /**
     * Records all licenses of a file, or none; with {@code check} it says only what would be wrong. The file is CSV,
     * JSON or ODRL, as its beginning tells.
     */
    @PostMapping(path = "/licenses/ledger", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ImportReport read(@RequestPart MultipartFile file, @RequestParam(defaultValue = "false") boolean check)
            throws IOException {
        if (file.getSize() > LONGEST) {
            throw Fault.invalid("file", "A file to import has at most 20 MB.");
        }
        return ledger.read(file.getBytes(), !check);
    }
}
