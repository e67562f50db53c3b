package app.unciala.server.pack;

import app.unciala.core.face.Slot;
import app.unciala.core.flag.Crossing;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Verdict;
import app.unciala.core.pack.Pack;
import app.unciala.core.pack.PackRequest;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackWriter;
import app.unciala.server.flag.FlagService;
import app.unciala.server.history.HistoryService;
import app.unciala.server.http.Ids;
import app.unciala.server.http.Problem;
import app.unciala.server.license.LicenseService;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.storage.FileStore;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes packs: for every face that is held and allowed, a WOFF2; what is refused or not stated stays out. */
@Service
public class PackService {
    private final PackRepository packs;
    private final SiteService sites;
    private final FlagService flags;
    private final LicenseService licenses;
    private final FileStore store;
    private final HistoryService history;
    private final Clock clock;

    PackService(
            PackRepository packs,
            SiteService sites,
            FlagService flags,
            LicenseService licenses,
            FileStore store,
            HistoryService history,
            Clock clock) {
        this.packs = packs;
        this.sites = sites;
        this.flags = flags;
        this.licenses = licenses;
        this.store = store;
        this.history = history;
        this.clock = clock;
    }

    /** One file of a pack, or a face left out of it ({@code bytes} 0, with the reason as its path). */
    public record Content(String path, long bytes, boolean leftOut) {}

    public record PackView(
            String id,
            String siteId,
            Instant madeAt,
            String madeBy,
            String sha256,
            long bytes,
            List<Content> contents) {}

    private record FaceKey(String family, Slot slot) {}

    @Transactional
    public PackView make(String siteId) {
        Site site = sites.get(siteId);
        List<Content> contents = new ArrayList<>();
        Map<FaceKey, Face> faces = new LinkedHashMap<>();
        List<Crossing> crossings = flags.crossings(siteId);
        if (crossings.isEmpty()) {
            throw Problem.invalid(site.name() + " asks for no faces yet. Choose them first.");
        }
        for (Crossing crossing : crossings) {
            String name = crossing.familyName() + " " + crossing.ask().slot().label();
            Verdict verdict = crossing.decisions().values().stream()
                    .map(Decision::verdict)
                    .reduce(Verdict.ALLOWED, Verdict::and);
            if (!crossing.isHeld()) {
                contents.add(new Content(name + ": not held", 0, true));
            } else if (verdict != Verdict.ALLOWED || crossing.decisions().isEmpty()) {
                contents.add(new Content(name + ": " + whyNot(crossing), 0, true));
            } else {
                HeldFile file = best(crossing.held());
                faces.computeIfAbsent(
                        new FaceKey(crossing.familyName(), file.slot()),
                        key -> new Face(key.family(), key.slot(), woff2(file), licenseLine(crossing)));
            }
        }
        if (faces.isEmpty()) {
            throw Problem.conflict("Nothing may go into a pack for " + site.name() + ": "
                    + contents.stream()
                            .map(Content::path)
                            .distinct()
                            .reduce((a, b) -> a + "; " + b)
                            .orElse("") + ".");
        }
        Pack pack = PackWriter.write(request(site, crossings, faces));
        byte[] archive = pack.zip();
        pack.entries().forEach(entry -> contents.add(new Content(entry.path(), entry.bytes().length, false)));
        PackEntity made = new PackEntity(Ids.next(), siteId, clock.instant(), HistoryService.currentName());
        made.keep(
                store.put(archive), archive.length, contents.stream().distinct().toList());
        packs.save(made);
        history.record(
                "site",
                siteId,
                "Made a pack of " + faces.size() + (faces.size() == 1 ? " face" : " faces") + " for “" + site.name()
                        + "”");
        return made.toRecord();
    }

    @Transactional(readOnly = true)
    public List<PackView> of(String siteId) {
        sites.get(siteId);
        return packs.findBySiteIdOrderByMadeAtDesc(siteId).stream()
                .map(PackEntity::toRecord)
                .toList();
    }

    @Transactional(readOnly = true)
    public PackView get(String id) {
        return find(id).toRecord();
    }

    @Transactional(readOnly = true)
    public byte[] archive(String id) {
        return store.get(find(id).sha256());
    }

    private PackRequest request(Site site, List<Crossing> crossings, Map<FaceKey, Face> faces) {
        List<PackRequest.Role> roles = new ArrayList<>();
        for (SiteService.Role role : site.roles()) {
            crossings.stream()
                    .filter(crossing -> crossing.ask().role() == role.role())
                    .filter(crossing -> faces.keySet().stream()
                            .anyMatch(key -> key.family().equals(crossing.familyName())
                                    && key.slot().serves(crossing.ask().slot())))
                    .findFirst()
                    .ifPresent(crossing -> roles.add(new PackRequest.Role(
                            role.role(), crossing.familyName(), crossing.ask().slot(), role.generic())));
        }
        return new PackRequest(site.name(), site.domains(), LocalDate.now(clock), roles, List.copyOf(faces.values()));
    }

    /** The vendor's own WOFF2 first, then one made here, then any file to make it from. */
    private static HeldFile best(List<HeldFile> held) {
        return held.stream()
                .min(Comparator.comparing((HeldFile file) -> file.format() != FontFormat.WOFF2)
                        .thenComparing(HeldFile::madeHere))
                .orElseThrow();
    }

    private byte[] woff2(HeldFile file) {
        byte[] bytes = store.get(file.sha256());
        return file.format() == FontFormat.WOFF2
                ? bytes
                : FontWriter.write(FontReader.read(bytes).faces().get(0), FontFormat.WOFF2);
    }

    private static String whyNot(Crossing crossing) {
        return crossing.decisions().values().stream()
                .flatMap(decision -> decision.against().stream())
                .map(Decision.Reason::text)
                .findFirst()
                .orElse("the site has no domain to decide on");
    }

    private String licenseLine(Crossing crossing) {
        return crossing.decisions().values().stream()
                .flatMap(decision -> decision.licenseId().stream())
                .distinct()
                .map(id -> licenses.get(id).terms().name())
                .reduce((a, b) -> a + ", " + b)
                .orElse("");
    }

    private PackEntity find(String id) {
        return packs.findById(id).orElseThrow(() -> Problem.notFound("pack", id));
    }
}
