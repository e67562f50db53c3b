package app.unciala.server.pack;

import app.unciala.core.pack.Pack;
import app.unciala.core.pack.PackRequest;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackWriter;
import app.unciala.font.face.Slot;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.flag.AskedRow.DomainVerdict;
import app.unciala.server.flag.AskedRow.GoesOut;
import app.unciala.server.flag.SiteCrossings;
import app.unciala.server.pack.PackFaces.MadeFace;
import app.unciala.server.pack.PackFaces.Part;
import app.unciala.server.pack.PackFaces.Source;
import app.unciala.server.site.SiteRole;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.storage.FileStore;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Makes packs: for every face that is held and allowed, a WOFF2; what is refused or not stated stays out. */
@Component
class PackMaker {
    private static final String VERSION = "0.1";

    private final SiteService sites;
    private final SiteCrossings crossings;
    private final FileStore store;
    private final PackFaces faces;
    private final Clock clock;

    PackMaker(SiteService sites, SiteCrossings crossings, FileStore store, PackFaces faces, Clock clock) {
        this.sites = sites;
        this.crossings = crossings;
        this.store = store;
        this.faces = faces;
        this.clock = clock;
    }

    /** A face that goes out, by its family's name in CSS and its slot. */
    private record FaceKey(String family, Slot slot) {}

    /** What is made, outside of any transaction, before it is recorded. */
    record Made(
            Site site,
            Basis basis,
            String sha256,
            long bytes,
            long fontBytes,
            List<Content> contents,
            int faces,
            Optional<String> anyway) {}

    /** Is told how many of the faces of a pack are made. */
    interface Progress {
        void made(int faces, int of);
    }

    /**
     * Makes the archive of a pack, outside of any transaction.
     *
     * @param anyway why what is not allowed goes into it all the same; without a reason it stays out
     */
    Made make(String siteId, Optional<String> anyway, Progress progress) {
        Site site = sites.get(siteId);
        Basis basis = basis(site);
        if (basis.asked().isEmpty()) {
            throw Fault.invalid(site.name() + " asks for no faces yet. Choose them first.");
        }
        List<Content> contents = new ArrayList<>();
        Map<FaceKey, List<AskedRow>> goesOut = new LinkedHashMap<>();
        for (AskedRow row : basis.asked()) {
            if (Basis.taken(row).isEmpty()) {
                contents.add(new Content(Basis.name(row) + ": not held", 0, true));
            } else if (!Basis.isAllowed(row) && anyway.isEmpty()) {
                contents.add(new Content(Basis.name(row) + ": " + Basis.whyNot(row), 0, true));
            } else {
                goesOut.computeIfAbsent(
                                new FaceKey(
                                        row.familyName(), goesOut(row).slot().toSlot()),
                                key -> new ArrayList<>())
                        .add(row);
            }
        }
        if (goesOut.isEmpty()) {
            throw Fault.conflict("Nothing may go into a pack for " + site.name() + ": "
                    + contents.stream().map(Content::path).distinct().collect(Collectors.joining("; ")) + ".");
        }
        Map<FaceKey, List<Face>> made = new LinkedHashMap<>();
        goesOut.forEach((key, rows) -> {
            progress.made(made.size(), goesOut.size());
            MadeFace face = faces.make(Source.of(rows.get(0)), site, licenseLine(rows, anyway), licenseIds(rows));
            if (!face.parts().isEmpty()) {
                made.put(key, face.parts().stream().map(Part::face).toList());
            }
            face.undone().forEach(undone -> contents.add(new Content(undone, 0, true)));
        });
        progress.made(made.size(), goesOut.size());
        if (made.isEmpty()) {
            throw Fault.conflict("Nothing may go into a pack for " + site.name() + ": "
                    + contents.stream().map(Content::path).distinct().collect(Collectors.joining("; ")) + ".");
        }
        Optional<String> reason = anyway.filter(why -> basis.asked().stream()
                .anyMatch(row -> !Basis.isAllowed(row) && Basis.taken(row).isPresent()));
        PackRequest request = request(site, basis.asked(), made);
        Pack pack = PackWriter.write(request);
        byte[] archive = pack.zip();
        request.placement()
                .withoutUrl(PackWriter.fileNames(request))
                .forEach(name -> contents.add(new Content(name + ": its address is not known yet", 0, true)));
        pack.entries().forEach(entry -> contents.add(new Content(entry.path(), entry.bytes().length, false)));
        return new Made(
                site,
                basis,
                store.put(archive),
                archive.length,
                made.values().stream()
                        .flatMap(List::stream)
                        .mapToLong(face -> PackFaces.bytes(face.files()))
                        .sum(),
                contents.stream().distinct().toList(),
                made.size(),
                reason);
    }

    private static GoesOut goesOut(AskedRow row) {
        return Objects.requireNonNull(row.goesOut());
    }

    private static List<String> licenseIds(List<AskedRow> rows) {
        return rows.stream()
                .flatMap(row -> row.domains().stream())
                .map(DomainVerdict::licenseId)
                .filter(id -> !id.isEmpty())
                .distinct()
                .toList();
    }

    /** What a pack of this moment would be made from. */
    Basis basis(Site site) {
        return new Basis(
                site.domains(),
                crossings.of(site.toSnapshot()),
                Optional.of(site.roles()),
                Optional.of(site.delivery()),
                site.ownNames());
    }

    private PackRequest request(Site site, List<AskedRow> rows, Map<FaceKey, List<Face>> faces) {
        List<PackRequest.Role> roles = new ArrayList<>();
        for (SiteRole role : site.roles()) {
            rows.stream()
                    .filter(row -> row.role().equals(role.role()))
                    .filter(row -> faces.keySet().stream()
                            .anyMatch(key -> key.family().equals(row.familyName())
                                    && key.slot().standsFor(row.slot().toSlot())))
                    .findFirst()
                    .ifPresent(row -> roles.add(new PackRequest.Role(
                            role.textRole(),
                            row.familyName(),
                            row.slot().toSlot(),
                            role.generic(),
                            role.fallbacks(),
                            role.setting())));
        }
        return new PackRequest(
                site.name(),
                site.domains(),
                LocalDate.now(clock),
                VERSION,
                site.delivery().words(),
                site.families().entrySet().stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getValue,
                                family -> site.familyNames().get(family.getKey()),
                                (one, other) -> one)),
                site.delivery().placement(),
                site.delivery().shape(),
                site.delivery().checklist(),
                site.delivery().overrides(),
                roles,
                faces.values().stream().flatMap(List::stream).toList());
    }

    /** The licenses of a face, and why it goes out where they do not allow it. */
    private static String licenseLine(List<AskedRow> rows, Optional<String> anyway) {
        String licenses = rows.stream()
                .flatMap(row -> row.domains().stream())
                .map(DomainVerdict::licenseName)
                .filter(name -> !name.isEmpty())
                .distinct()
                .collect(Collectors.joining(", "));
        return rows.stream()
                .filter(row -> !Basis.isAllowed(row))
                .findFirst()
                .flatMap(row -> anyway.map(
                        why -> licenses + " (not allowed: " + Basis.whyNot(row) + "; delivered because: " + why + ")"))
                .orElse(licenses)
                .strip();
    }
}
