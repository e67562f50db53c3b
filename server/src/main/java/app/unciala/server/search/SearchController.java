package app.unciala.server.search;

import app.unciala.core.face.FaceReport;
import app.unciala.core.font.FontException;
import app.unciala.core.font.FontReader;
import app.unciala.server.family.FamilyService;
import app.unciala.server.http.Problem;
import app.unciala.server.license.LicenseService;
import app.unciala.server.site.SiteService;
import app.unciala.server.storage.FileStore;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Finds families, files, sites and licenses by words, or by a file: “do we hold this?” */
@RestController
@RequestMapping("/api/search")
class SearchController {
    private static final int MOST = 30;

    private final FamilyService families;
    private final LicenseService licenses;
    private final SiteService sites;

    SearchController(FamilyService families, LicenseService licenses, SiteService sites) {
        this.families = families;
        this.licenses = licenses;
        this.sites = sites;
    }

    enum HitType {
        FAMILY,
        FILE,
        SITE,
        LICENSE
    }

    /** One thing found; {@code id} is that of the place to open, {@code detail} says why it was found. */
    record Hit(HitType type, String id, String name, String detail) {}

    @GetMapping
    List<Hit> find(@RequestParam String q) {
        String words = q.strip().toLowerCase(Locale.ROOT);
        List<Hit> hits = new ArrayList<>();
        if (words.isEmpty()) {
            return hits;
        }
        families.all().forEach(family -> {
            if (has(family.name(), words)) {
                hits.add(new Hit(
                        HitType.FAMILY,
                        family.id(),
                        family.name(),
                        family.files().size() + " files"));
            }
            family.files().stream()
                    .filter(file -> has(file.fileName(), words) || file.sha256().startsWith(words))
                    .forEach(file -> hits.add(new Hit(
                            HitType.FILE, family.id(), file.fileName().replaceAll("^.*/", ""), "in " + family.name())));
        });
        sites.all().stream()
                .filter(site -> has(site.name(), words)
                        || has(site.clientName(), words)
                        || site.domains().stream().anyMatch(domain -> has(domain, words)))
                .forEach(site ->
                        hits.add(new Hit(HitType.SITE, site.id(), site.name(), String.join(", ", site.domains()))));
        licenses.all().stream()
                .filter(license -> has(license.terms().name(), words)
                        || has(license.terms().vendor(), words)
                        || license.terms().domains().stream().anyMatch(domain -> has(domain, words)))
                .forEach(license -> hits.add(new Hit(
                        HitType.LICENSE,
                        license.id(),
                        license.terms().name(),
                        license.terms().kind().words())));
        return hits.stream().limit(MOST).toList();
    }

    /** The families that hold a file's drawing, in whatever format and under whatever name. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    List<Hit> findFile(@RequestPart MultipartFile file) throws IOException {
        byte[] bytes = file.getBytes();
        String sha256 = FileStore.sha256(bytes);
        FaceReport report;
        try {
            report = FaceReport.of(FontReader.read(bytes).faces().get(0));
        } catch (FontException e) {
            throw Problem.invalid("“" + file.getOriginalFilename() + "” cannot be read: " + e.getMessage() + ".");
        }
        boolean sameBytes = !families.withBytes(sha256).isEmpty();
        return families.withDrawing(report.drawing()).stream()
                .map(family -> new Hit(
                        HitType.FAMILY,
                        family.id(),
                        family.name(),
                        sameBytes ? "holds these very bytes" : "holds the same drawing in another file"))
                .toList();
    }

    private static boolean has(String text, String words) {
        return text.toLowerCase(Locale.ROOT).contains(words);
    }
}
