package app.unciala.server.check;

import app.unciala.server.check.CheckPlans.VersionedPlan;
import app.unciala.server.check.CheckService.CheckLine;
import app.unciala.server.check.CheckService.CheckView;
import app.unciala.server.check.FamilyOnPages.OnSite;
import app.unciala.server.check.PrivateHosts.PrivateHost;
import app.unciala.server.http.Versions;
import app.unciala.server.listing.Page;
import jakarta.validation.Valid;
import java.net.URI;
import java.util.List;
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
@RequestMapping("/api")
class CheckController {
    private final CheckService checks;
    private final CheckPlans plans;
    private final PrivateHosts privateHosts;
    private final FamilyOnPages onPages;

    CheckController(CheckService checks, CheckPlans plans, PrivateHosts privateHosts, FamilyOnPages onPages) {
        this.checks = checks;
        this.plans = plans;
        this.privateHosts = privateHosts;
        this.onPages = onPages;
    }

    /** The text roles of a site on its pages. */
    record RoleList(List<RoleOnPages> items) {}

    /** The intake that a font was taken into. */
    record TakenIn(String intakeId) {}

    @PostMapping("/sites/{id}/checks")
    ResponseEntity<CheckLine> start(@PathVariable String id) {
        CheckLine check = checks.start(id);
        return ResponseEntity.status(HttpStatus.ACCEPTED)
                .location(URI.create("/api/checks/" + check.id()))
                .body(check);
    }

    @GetMapping("/sites/{id}/checks")
    Page<CheckLine> list(
            @PathVariable String id,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "20") int limit) {
        return checks.of(id, cursor, limit);
    }

    @GetMapping("/checks/{id}")
    CheckView get(@PathVariable String id) {
        return checks.get(id);
    }

    @GetMapping("/checks/{id}/pages/{position}")
    CheckedText page(@PathVariable String id, @PathVariable int position) {
        return checks.page(id, position);
    }

    @GetMapping("/checks/{id}/roles")
    RoleList roles(@PathVariable String id) {
        return new RoleList(checks.roles(id));
    }

    /** Stops a check that is under way. */
    @DeleteMapping("/checks/{id}")
    CheckLine stop(@PathVariable String id) {
        return checks.stop(id);
    }

    @PostMapping("/checks/{id}/fonts/{sha256}/intake")
    ResponseEntity<TakenIn> takeIn(@PathVariable String id, @PathVariable String sha256) {
        return ResponseEntity.status(HttpStatus.ACCEPTED).body(new TakenIn(checks.takeIn(id, sha256)));
    }

    @GetMapping("/families/{id}/pages")
    List<OnSite> pagesOfFamily(@PathVariable String id) {
        return onPages.of(id);
    }

    @GetMapping("/sites/{id}/check-plan")
    ResponseEntity<VersionedPlan> plan(@PathVariable String id) {
        VersionedPlan plan = plans.get(id);
        return Versions.tagged(plan.version(), plan);
    }

    @PutMapping("/sites/{id}/check-plan")
    ResponseEntity<VersionedPlan> update(
            @PathVariable String id,
            @RequestHeader(name = HttpHeaders.IF_MATCH, required = false) @Nullable String ifMatch,
            @Valid @RequestBody CheckPlan draft) {
        VersionedPlan plan = plans.update(id, Versions.expected(ifMatch), draft);
        return Versions.tagged(plan.version(), plan);
    }

    @GetMapping("/private-hosts")
    List<PrivateHost> privateHosts() {
        return privateHosts.all();
    }

    @PutMapping("/private-hosts/{host}")
    List<PrivateHost> allow(@PathVariable String host) {
        return privateHosts.allow(host);
    }

    @DeleteMapping("/private-hosts/{host}")
    List<PrivateHost> refuse(@PathVariable String host) {
        return privateHosts.refuse(host);
    }
}
