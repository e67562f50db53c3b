package app.unciala.server.decision;

import app.unciala.server.decision.CoverageService.CoverageFilter;
import app.unciala.server.decision.CoverageService.Explained;
import app.unciala.server.decision.CoverageService.Size;
import app.unciala.server.decision.CoverageService.Table;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/coverage")
class CoverageController {
    private final CoverageService coverage;

    CoverageController(CoverageService coverage) {
        this.coverage = coverage;
    }

    @GetMapping
    Table table(
            @RequestParam(required = false) @Nullable String name,
            @RequestParam(required = false) @Nullable String client,
            @RequestParam(defaultValue = "false") boolean used,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "40") int limit,
            @RequestParam(required = false) @Nullable String siteCursor,
            @RequestParam(defaultValue = "40") int siteLimit) {
        return coverage.table(new CoverageFilter(name, client, used), cursor, limit, siteCursor, siteLimit);
    }

    @GetMapping("/size")
    Size size(
            @RequestParam(required = false) @Nullable String name,
            @RequestParam(required = false) @Nullable String client,
            @RequestParam(defaultValue = "false") boolean used) {
        return coverage.size(new CoverageFilter(name, client, used));
    }

    @GetMapping("/{familyId}/{siteId}")
    Explained explain(@PathVariable String familyId, @PathVariable String siteId) {
        return coverage.explain(familyId, siteId);
    }
}
