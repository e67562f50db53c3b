package app.unciala.server.pack;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.css.UnicodeRange;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.pack.PackRequest.Cut;
import app.unciala.core.pack.Placement;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.flag.SiteCrossings;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.pack.PackFaces.MadeFace;
import app.unciala.server.pack.PackFaces.Source;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What faces weigh as a site's pack would deliver them, before it is made. */
@Service
class PackWeights {
    /** The family name of the rules of stand-ins; whoever shows them puts another in its place. */
    static final String STAND_IN = "stand-in";

    private final SiteService sites;
    private final FamilyService families;
    private final SiteCrossings crossings;
    private final PackFaces faces;
    private final PackService packs;

    PackWeights(
            SiteService sites, FamilyService families, SiteCrossings crossings, PackFaces faces, PackService packs) {
        this.sites = sites;
        this.families = families;
        this.crossings = crossings;
        this.faces = faces;
        this.packs = packs;
    }

    /** One face of a family. */
    record WantedFace(
            @NotNull(message = "A face is one of a family.")
            @Size(max = 20, message = "A family’s id has at most 20 characters.")
            String familyId,

            @NotNull(message = "A face is a slot.") @Valid SlotView slot) {}

    /** The faces to weigh, such as those that are chosen and not saved yet. */
    record Wanted(
            @NotNull(message = "Say which faces to weigh.")
            @Size(max = 400, message = "At most 400 faces are weighed at once.")
            List<@NotNull(message = "A face is an object.") @Valid WantedFace> faces) {}

    /**
     * What a face weighs.
     *
     * @param slot the slot that was asked for
     * @param fileSlot the slot of the file that serves it: one variable file serves several
     * @param bytes as delivered, in the format that browsers take first
     * @param held the bytes of the file that is held
     * @param kept how many characters are kept, of {@code of}; null where it is not cut
     * @param files as they would be delivered: one, or one for each script of the site
     * @param standIn the rule of the system face that stands in until the font is there, for {@link #STAND_IN}; empty
     *     without one
     * @param undone what its license does not allow to be done, and which characters it lacks, in sentences
     */
    record FaceWeight(
            String familyId,
            SlotView slot,
            SlotView fileSlot,
            long bytes,
            long held,
            @Schema(types = {"integer", "null"}) @Nullable Integer kept,
            @Schema(types = {"integer", "null"}) @Nullable Integer of,
            List<FaceFile> files,
            String standIn,
            List<String> undone) {}

    /**
     * A file of a face.
     *
     * @param address where it can be read as it would be delivered
     * @param characters those it is for, as CSS has them in {@code unicode-range}; empty for all that it has
     */
    record FaceFile(String address, String characters) {}

    /**
     * What faces weigh together, each file counted once.
     *
     * @param stacks by generic family, what stands after a family in the stacks of its roles
     * @param budget how many bytes the site allows itself, if it says so
     */
    record WeightView(
            List<FaceWeight> faces,
            long bytes,
            Map<GenericFamily, String> stacks,
            @Schema(types = {"integer", "null"}) @Nullable Long budget) {}

    /** Addresses as they were copied from a host, one a line. */
    record PastedUrls(
            @NotNull(message = "Paste the addresses.")
            @Size(max = 200_000, message = "At most 200,000 characters are read at once.")
            String text) {}

    WeightView weigh(String siteId, Wanted wanted) {
        Site site = sites.get(siteId);
        Map<String, Family> known = new LinkedHashMap<>();
        wanted.faces().forEach(face -> known.computeIfAbsent(face.familyId(), families::get));
        List<Ask> asks = wanted.faces().stream()
                .map(face -> new Ask(
                        TextRole.RUNNING_TEXT, face.familyId(), face.slot().toSlot()))
                .toList();
        List<FaceWeight> weights = crossings.of(site.toSnapshot(), asks).stream()
                .flatMap(row -> Basis.taken(row)
                        .flatMap(taken -> weigh(row, bytes(known.get(row.familyId()), taken.fileId()), site))
                        .stream())
                .toList();
        Map<String, Long> byFile = new LinkedHashMap<>();
        weights.forEach(
                weight -> byFile.put(weight.familyId() + " " + weight.fileSlot().key(), weight.bytes()));
        return new WeightView(
                weights,
                byFile.values().stream().mapToLong(Long::longValue).sum(),
                Arrays.stream(GenericFamily.values())
                        .collect(Collectors.toMap(generic -> generic, GenericFamily::stack)),
                site.delivery().budget());
    }

    /** A file that cannot be read weighs nothing here; its flag says so. */
    private Optional<FaceWeight> weigh(AskedRow row, long held, Site site) {
        try {
            Source source = Source.of(row);
            MadeFace made = faces.make(source, site, "", List.of());
            return Optional.of(new FaceWeight(
                    row.familyId(),
                    row.slot(),
                    source.goesOut().slot(),
                    made.bytes(),
                    held,
                    made.cut().map(Cut::kept).orElse(null),
                    made.cut().map(Cut::of).orElse(null),
                    made.parts().stream()
                            .map(part -> new FaceFile(
                                    part.address(),
                                    part.face()
                                            .part()
                                            .map(ScriptPart::characters)
                                            .map(UnicodeRange::of)
                                            .orElse("")))
                            .toList(),
                    made.parts().stream()
                            .flatMap(part -> part.face().stand().stream())
                            .findFirst()
                            .map(stand -> stand.css(STAND_IN))
                            .orElse(""),
                    made.undone()));
        } catch (FontException e) {
            return Optional.empty();
        }
    }

    Path delivered(String sha256, String name) {
        return faces.delivered(sha256, name);
    }

    private static long bytes(@Nullable Family family, String fileId) {
        return family == null
                ? 0
                : family.files().stream()
                        .filter(file -> file.id().equals(fileId))
                        .mapToLong(File::bytes)
                        .sum();
    }

    /** Matches addresses that were pasted to the files of the site's latest pack. */
    Map<String, String> match(String siteId, PastedUrls pasted) {
        List<String> names = packs.of(siteId, null, 1).items().stream()
                .flatMap(pack -> pack.contents().stream())
                .filter(content -> !content.leftOut())
                .map(content -> content.path().substring(content.path().lastIndexOf('/') + 1))
                .filter(name -> FontFormat.promisedBy(name).isPresent())
                .toList();
        if (names.isEmpty()) {
            throw Fault.conflict("Make a pack first: its files are what the addresses belong to.");
        }
        try {
            return Placement.matched(pasted.text(), names);
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("delivery.urls", String.valueOf(e.getMessage()));
        }
    }
}
