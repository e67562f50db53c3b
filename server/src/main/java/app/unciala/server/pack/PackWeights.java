package app.unciala.server.pack;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.UnicodeRange;
import app.unciala.core.pack.PackBasis;
import app.unciala.core.pack.PackRequest.Cut;
import app.unciala.core.pack.Placement;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.fault.Fault;
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
import java.util.ArrayList;
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
    private final PackFaces faces;
    private final PackService packs;

    PackWeights(SiteService sites, FamilyService families, PackFaces faces, PackService packs) {
        this.sites = sites;
        this.families = families;
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
        List<FaceWeight> weights = new ArrayList<>();
        Map<String, Long> byFile = new LinkedHashMap<>();
        Map<String, Family> known = new LinkedHashMap<>();
        for (WantedFace face : wanted.faces()) {
            Family family = known.computeIfAbsent(face.familyId(), families::get);
            best(family, face.slot().toSlot())
                    .flatMap(file -> weigh(family, file, face, site))
                    .ifPresent(weight -> {
                        weights.add(weight);
                        byFile.put(weight.familyId() + " " + weight.fileSlot().key(), weight.bytes());
                    });
        }
        return new WeightView(
                weights,
                byFile.values().stream().mapToLong(Long::longValue).sum(),
                Arrays.stream(GenericFamily.values())
                        .collect(Collectors.toMap(generic -> generic, GenericFamily::stack)),
                site.delivery().budget());
    }

    /** A file that cannot be read weighs nothing here; its flag says so. */
    private Optional<FaceWeight> weigh(Family family, File file, WantedFace face, Site site) {
        try {
            MadeFace made = faces.make(
                    new Source(
                            family.id(),
                            family.name(),
                            file.slot(),
                            file.sha256(),
                            FontFormat.fromKey(file.format()).orElseThrow()),
                    site,
                    "",
                    List.of());
            return Optional.of(new FaceWeight(
                    family.id(),
                    face.slot(),
                    file.slot(),
                    made.bytes(),
                    file.bytes(),
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

    /** The file that a pack would take. */
    private static Optional<File> best(Family family, Slot asked) {
        return family.files().stream()
                .filter(file -> file.slot().toSlot().standsFor(asked))
                .min(PackBasis.takenFirst(File::format, File::madeHere, File::id));
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
