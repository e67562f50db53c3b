package app.unciala.server.flag;

import app.unciala.server.flag.WhatIf.Difference;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseService;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.SiteDraft;
import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What would become of the flags if a record were saved as it is sent; nothing is saved. */
@RestController
@RequestMapping("/api")
class WhatIfController {
    private final WhatIf whatIf;
    private final LicenseService licenses;
    private final SiteService sites;

    WhatIfController(WhatIf whatIf, LicenseService licenses, SiteService sites) {
        this.whatIf = whatIf;
        this.licenses = licenses;
        this.sites = sites;
    }

    @PostMapping("/licenses/{id}/preview")
    Difference license(@PathVariable String id, @Valid @RequestBody LicenseDraft draft) {
        long version = licenses.get(id).version();
        return whatIf.of(() -> licenses.update(id, version, draft));
    }

    @PostMapping("/sites/{id}/preview")
    Difference site(@PathVariable String id, @Valid @RequestBody SiteDraft draft) {
        long version = sites.get(id).version();
        return whatIf.of(() -> sites.update(id, version, draft));
    }
}
