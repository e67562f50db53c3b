package app.unciala.server.site;

import app.unciala.server.http.Undoable;
import app.unciala.server.http.Versions;
import app.unciala.server.listing.Page;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.site.SiteService.SiteDraft;
import jakarta.validation.Valid;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites")
class SiteController {
    private final SiteService sites;

    SiteController(SiteService sites) {
        this.sites = sites;
    }

    @GetMapping
    Page<Site> list(
            @RequestParam(required = false) @Nullable String name,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "200") int limit) {
        return sites.list(name, cursor, limit);
    }

    @PostMapping
    ResponseEntity<Site> create(@Valid @RequestBody SiteDraft draft) {
        Site site = sites.create(draft);
        return Versions.tagged(HttpStatus.CREATED, site.version(), site);
    }

    @GetMapping("/{id}")
    ResponseEntity<Site> get(@PathVariable String id) {
        Site site = sites.get(id);
        return Versions.tagged(site.version(), site);
    }

    @PutMapping("/{id}")
    ResponseEntity<Site> update(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody SiteDraft draft) {
        Site site = sites.update(id, Versions.expected(ifMatch), draft);
        return Versions.tagged(site.version(), site);
    }

    @DeleteMapping("/{id}")
    Undoable delete(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch) {
        return new Undoable(sites.delete(id, Versions.expected(ifMatch)));
    }
}
