package app.unciala.server.site;

import app.unciala.core.license.PageViews.Reading;
import app.unciala.server.fault.Fault;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.DateTimeException;
import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** How many pages of a site were viewed in a month. */
@RestController
@RequestMapping("/api/sites/{id}/page-views")
class PageViewsController {
    private final SiteService sites;

    PageViewsController(SiteService sites) {
        this.sites = sites;
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

    @GetMapping
    List<MonthlyViews> list(@PathVariable String id) {
        return sites.pageViews(id).stream().map(MonthlyViews::of).toList();
    }

    @PutMapping("/{month}")
    List<MonthlyViews> record(
            @PathVariable String id, @PathVariable String month, @Valid @RequestBody ViewsDraft draft) {
        return sites.recordPageViews(id, month(month), draft.views()).stream()
                .map(MonthlyViews::of)
                .toList();
    }

    private static YearMonth month(String text) {
        try {
            return YearMonth.parse(text);
        } catch (DateTimeException e) {
            throw Fault.invalid("month", "A month is written as a year and a number, such as 2030-04.");
        }
    }
}
