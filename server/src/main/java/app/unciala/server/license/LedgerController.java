package app.unciala.server.license;

import app.unciala.server.fault.Fault;
import app.unciala.server.http.Uploads;
import app.unciala.server.license.LicenseLedger.LedgerReport;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api")
class LedgerController {
    private static final long LONGEST = 20_000_000;

    private final LicenseLedger ledger;

    LedgerController(LicenseLedger ledger) {
        this.ledger = ledger;
    }

    @GetMapping(path = "/licenses.csv", produces = "text/csv")
    ResponseEntity<byte[]> write() {
        return Uploads.download(new MediaType("text", "csv", StandardCharsets.UTF_8), "licenses.csv")
                .body(ledger.written().getBytes(StandardCharsets.UTF_8));
    }

    /** Records all licenses of a file, or none; with {@code check} it says only what would be wrong. */
    @PostMapping(path = "/licenses/ledger", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    LedgerReport read(@RequestPart MultipartFile file, @RequestParam(defaultValue = "false") boolean check)
            throws IOException {
        if (file.getSize() > LONGEST) {
            throw Fault.invalid("file", "A ledger has at most 20 MB.");
        }
        return ledger.read(file.getBytes(), !check);
    }
}
