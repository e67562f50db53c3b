package app.unciala.server.search;

import app.unciala.font.FontLimits;
import app.unciala.server.fault.Fault;
import app.unciala.server.http.Uploads;
import app.unciala.server.search.SearchService.Answer;
import java.io.IOException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api/search")
class SearchController {
    private final SearchService search;

    SearchController(SearchService search) {
        this.search = search;
    }

    @GetMapping
    Answer find(@RequestParam String q) {
        return search.find(q);
    }

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Answer findFile(@RequestPart MultipartFile file) throws IOException {
        if (file.getSize() > FontLimits.MAX_BYTES) {
            throw Fault.invalid("file", "A font to look up has at most 128 MB.");
        }
        return search.findFile(Uploads.name(file, "file"), file.getBytes());
    }
}
