package app.unciala.server.decision;

import app.unciala.server.decision.LicenseStanding.Standing;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class LicenseStandingController {
    private final LicenseStanding standing;

    LicenseStandingController(LicenseStanding standing) {
        this.standing = standing;
    }

    @GetMapping("/api/licenses/{id}/standing")
    Standing standing(@PathVariable String id) {
        return standing.of(id);
    }
}
