package app.unciala.server.site;

import app.unciala.core.license.PageViews.Reading;
import app.unciala.server.fault.Fault;
import app.unciala.server.listing.ImportReport;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** How many pages of a site were viewed in a month. */
@RestController
@RequestMapping("/api")
class PageViewsController {
    private static final long LONGEST = 5_000_000;

    private final PageViewsService pageViews;
    private final PageViewsFile file;

    PageViewsController(PageViewsService pageViews, PageViewsFile file) {
        this.pageViews = pageViews;
        this.file = file;
    }

    /** The page views of a month, such as {@code 2030-04}. */
    record MonthlyViews(String month, long views) {
        static MonthlyViews of(Reading reading) {
            return new MonthlyViews(reading.month().toString(), reading.views());
        }
    }

    /** Without a number, what was recorded of the month is taken back. */
    record ViewsDraft(
            @Schema(types = {"integer", "null"})
            @Min(value = 0, message = "Page views are 0 or more.")
            @Max(value = 1_000_000_000_000L, message = "Page views are at most a million million.")
            @Nullable
            Long views) {}

    @GetMapping("/sites/{id}/page-views")
    List<MonthlyViews> list(@PathVariable String id) {
        return pageViews.of(id).stream().map(MonthlyViews::of).toList();
    }

    @PutMapping("/sites/{id}/page-views/{month}")
    List<MonthlyViews> record(
            @PathVariable String id, @PathVariable String month, @Valid @RequestBody ViewsDraft draft) {
        return pageViews.record(id, month(month), draft.views()).stream()
                .map(MonthlyViews::of)
                .toList();
    }

    /** Records the page views of many sites and months, or none; with {@code check} it says only what would be wrong. */
    @PostMapping(path = "/page-views", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ImportReport read(
            @RequestPart(name = "file") MultipartFile sent, @RequestParam(defaultValue = "false") boolean check)
            throws IOException {
        if (sent.getSize() > LONGEST) {
            throw Fault.invalid("file", "A file of page views has at most 5 MB.");
        }
        return file.read(sent.getBytes(), !check);
    }

    private static YearMonth month(String text) {
        try {
            return YearMonth.parse(text);
        } catch (DateTimeException e) {
            throw Fault.invalid("month", "A month is written as a year and a number, such as 2030-04.");
        }
    }
}
