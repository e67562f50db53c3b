package app.unciala.server.pack;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.license.Act;
import app.unciala.core.license.Basis;
import app.unciala.core.license.Verdict;
import app.unciala.core.metrics.FallbackMetrics;
import app.unciala.core.metrics.SystemFace;
import app.unciala.core.pack.PackRequest.Cut;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Notice;
import app.unciala.core.pack.Placement;
import app.unciala.core.pack.SiteCharacters;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Classification;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.language.LanguageCoverage;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.FvarTable;
import app.unciala.font.table.NameTable;
import app.unciala.server.decision.AskedAct;
import app.unciala.server.decision.DecisionService;
import app.unciala.server.decision.DecisionService.Question;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.DocumentKind;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.site.SiteDelivery;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.storage.DerivedFiles;
import app.unciala.server.storage.FileStore;
import com.google.common.hash.Hashing;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Makes the files of a face as a site's host takes them: cut to its characters, in the formats of its browsers. */
@Component
class PackFaces {
    private static final int MOST_SHOWN = 24;
    private static final Pattern NAME = Pattern.compile("pack-[0-9a-f]{16}\\.[a-z0-9]{2,5}");
    private static final Pattern DIGEST = Pattern.compile("[0-9a-f]{64}");

    private final FileStore store;
    private final DerivedFiles derived;
    private final DecisionService decisions;
    private final LicenseService licenses;

    PackFaces(FileStore store, DerivedFiles derived, DecisionService decisions, LicenseService licenses) {
        this.store = store;
        this.derived = derived;
        this.decisions = decisions;
        this.licenses = licenses;
    }

    /** The file that a face is made from. */
    record Source(String familyId, String familyName, SlotView slot, String sha256, FontFormat format) {}

    /** A file of a face, all of it or its part for one script, and where it can be read as browsers take it first. */
    record Part(Face face, String address) {}

    /**
     * A face in one file, or in one for each script of the site, with what was left undone or is lacking, in sentences.
     */
    record MadeFace(List<Part> parts, List<String> undone) {
        /** How many characters its files have of how many, if it was cut. */
        Optional<Cut> cut() {
            return parts.stream()
                    .flatMap(part -> part.face().cut().stream())
                    .reduce((one, other) -> new Cut(one.kept() + other.kept(), one.of()));
        }

        /** The bytes of all its files, in the format that browsers take first. */
        long bytes() {
            return parts.stream()
                    .mapToLong(part -> PackFaces.bytes(part.face().files()))
                    .sum();
        }
    }

    /** Makes a face for a site; what was made before is taken from where it is kept. */
    MadeFace make(Source source, Site site, String licenseLine, List<String> licenseIds) {
        SiteDelivery delivery = site.delivery();
        List<String> undone = new ArrayList<>();
        boolean isInline = delivery.placement().kind() == Placement.Kind.INLINE;
        if (isInline && !may(source, site, FontFormat.WOFF2, Act.INLINE, undone)) {
            return new MadeFace(List.of(), undone);
        }
        byte[] bytes = store.get(source.sha256());
        Sfnt face = FontReader.read(bytes).faces().get(0);
        BitSet all = CmapTable.read(face).characters();
        List<ScriptPart> kept = kept(source, site, all, undone);
        List<FontFormat> formats = delivery.wantedFormats().stream()
                .filter(format -> hasOutlinesFor(source, face, format, delivery.wantedFormats(), undone))
                .filter(format -> format == FontFormat.WOFF2
                        || (kept.isEmpty() && format == source.format())
                        || may(source, site, format, Act.CONVERT, undone))
                .toList();
        if (formats.isEmpty()) {
            return new MadeFace(List.of(), undone);
        }
        delivery.languages().forEach(tag -> lacking(source, tag, all).ifPresent(undone::add));
        Optional<FallbackMetrics> stand =
                delivery.standIns() ? stand(source.slot().toSlot(), face) : Optional.empty();
        List<Notice> notices = notices(source, face, licenseIds);
        List<Part> parts = new ArrayList<>();
        for (Optional<ScriptPart> part : kept.isEmpty()
                ? List.of(Optional.<ScriptPart>empty())
                : kept.stream().map(Optional::of).toList()) {
            Optional<BitSet> characters = part.map(ScriptPart::characters);
            SortedMap<FontFormat, byte[]> files = new TreeMap<>(byPreference(delivery));
            for (FontFormat format : formats) {
                boolean asHeld = characters.isEmpty() && format == source.format();
                files.put(format, asHeld ? bytes : converted(source, face, format, characters));
            }
            parts.add(new Part(
                    new Face(
                            source.familyName(),
                            source.slot().toSlot(),
                            source.sha256(),
                            files,
                            slant(face),
                            licenseLine,
                            notices,
                            part.filter(any -> kept.size() > 1)
                                    .map(one -> new ScriptPart(one.script(), both(one.characters(), all))),
                            characters.map(some -> new Cut(both(some, all).cardinality(), all.cardinality())),
                            stand),
                    address(source, files.firstKey(), characters)));
        }
        return new MadeFace(parts, undone);
    }

    /**
     * The characters to keep, if the site's fonts are cut and this one may be: those of each script apart, of the scripts
     * that the face has any of.
     */
    private List<ScriptPart> kept(Source source, Site site, BitSet all, List<String> undone) {
        if (!site.delivery().cuts() || !may(source, site, FontFormat.WOFF2, Act.CUT, undone)) {
            return List.of();
        }
        String own = site.delivery().words() + site.name() + site.clientName();
        List<ScriptPart> parts = SiteCharacters.byScript(site.delivery().languages(), own);
        List<ScriptPart> had =
                parts.stream().filter(part -> part.characters().intersects(all)).toList();
        return had.isEmpty() ? parts.subList(0, 1) : had;
    }

    /** Whether the licenses allow an act on all domains of the site; told when they do not. */
    private boolean may(Source source, Site site, FontFormat format, Act act, List<String> undone) {
        DecisionService.Decided decided = decisions.decide(new Question(
                source.familyId(),
                source.slot(),
                format.key(),
                null,
                site.id(),
                List.of(AskedAct.SERVE, AskedAct.of(act)),
                null));
        if (decided.verdict() != Verdict.ALLOWED) {
            undone.add(source.familyName() + " " + source.slot().label() + ": "
                    + switch (act) {
                        case CUT -> "not cut";
                        case INLINE -> "not put into the style sheet";
                        default -> "no " + format.label();
                    }
                    + ", as "
                    + (decided.verdict() == Verdict.REFUSED
                            ? "its license refuses it"
                            : "its license does not say that it may be"));
        }
        return decided.verdict() == Verdict.ALLOWED;
    }

    /**
     * Whether a face can be written in a format: CFF outlines become TrueType ones, but not the other way round, and not
     * those that vary. Of both, whichever is held is taken.
     */
    private static boolean hasOutlinesFor(
            Source source, Sfnt face, FontFormat format, List<FontFormat> wanted, List<String> undone) {
        boolean bare = format == FontFormat.TTF || format == FontFormat.OTF;
        if (!bare || face.bareFormat() == format) {
            return true;
        }
        if (wanted.contains(face.bareFormat())) {
            return false;
        }
        if (format == FontFormat.TTF && face.table("CFF2").isEmpty()) {
            return true;
        }
        undone.add(source.familyName() + " " + source.slot().label() + ": no " + format.label()
                + ", as its outlines are those of " + face.bareFormat().label());
        return false;
    }

    private byte[] converted(Source source, Sfnt face, FontFormat format, Optional<BitSet> kept) {
        Supplier<byte[]> make = () ->
                FontWriter.write(kept.map(characters -> cut(face, characters)).orElse(face), format);
        try {
            return Files.readAllBytes(derived.kept(source.sha256(), name(format, kept), make));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The name under which a file that was made is kept. */
    private static String name(FontFormat format, Optional<BitSet> kept) {
        String what = kept.map(characters -> characters.toString()).orElse("whole");
        return "pack-"
                + Hashing.sha256()
                        .hashString(what, StandardCharsets.UTF_8)
                        .toString()
                        .substring(0, 16) + "." + format.extension();
    }

    private static String address(Source source, FontFormat format, Optional<BitSet> kept) {
        String held = "/api/files/" + source.sha256();
        return kept.isEmpty() && format == source.format() ? held : held + "/delivered/" + name(format, kept);
    }

    /** What was made of a stored font for packs, under its name. */
    Path delivered(String sha256, String name) {
        return Optional.of(name)
                .filter(NAME.asMatchPredicate())
                .filter(any -> DIGEST.matcher(sha256).matches())
                .flatMap(known -> derived.find(sha256, known))
                .orElseThrow(() -> Fault.notFound("file made for packs", name));
    }

    /** A face that has none of the characters, or cannot be cut, is delivered whole. */
    private static Sfnt cut(Sfnt face, BitSet characters) {
        try {
            return Subsetter.subset(face, SubsetPlan.of(characters));
        } catch (FontException e) {
            return face;
        }
    }

    /** The characters of a language that a face does not have: text in it falls back to another family there. */
    private static Optional<String> lacking(Source source, String tag, BitSet all) {
        BitSet lacking = LanguageCoverage.lacking(tag, all::get);
        if (lacking.isEmpty()) {
            return Optional.empty();
        }
        String shown = lacking.stream()
                .filter(Character::isLetterOrDigit)
                .limit(MOST_SHOWN)
                .mapToObj(Character::toString)
                .collect(Collectors.joining(" "));
        return Optional.of(source.familyName() + " " + source.slot().label() + ": lacks "
                + Sentences.count(lacking.cardinality(), "character", "characters") + " of "
                + LanguageCoverage.name(tag) + ": " + shown + (lacking.cardinality() > MOST_SHOWN ? " …" : ""));
    }

    private static BitSet both(BitSet kept, BitSet all) {
        BitSet both = (BitSet) kept.clone();
        both.and(all);
        return both;
    }

    private static Comparator<FontFormat> byPreference(SiteDelivery delivery) {
        return Comparator.comparingInt(delivery.wantedFormats()::indexOf);
    }

    /** OpenType 1.9, {@code slnt}: degrees counter-clockwise; CSS counts clockwise. */
    private static Optional<Range> slant(Sfnt face) {
        return FvarTable.read(face)
                .flatMap(fvar -> fvar.axis("slnt"))
                .map(axis -> new Range(-axis.max() + 0.0, -axis.min() + 0.0));
    }

    /** The texts of open licenses that came with the license, or else what the font says itself. */
    private List<Notice> notices(Source source, Sfnt face, List<String> licenseIds) {
        List<Notice> notices = new ArrayList<>();
        for (String id : licenseIds) {
            Recorded license = licenses.get(id);
            if (license.terms().basis() == Basis.OPEN) {
                license.agreement().stream()
                        .filter(document -> document.kind() == DocumentKind.AGREEMENT
                                && document.fileName().toLowerCase(Locale.ROOT).matches(".*\\.(txt|md)"))
                        .forEach(document -> notices.add(new Notice(
                                fileName(source.familyName()) + "-"
                                        + fileName(document.fileName().replaceAll("\\.[^.]*$", "")) + ".txt",
                                store.get(document.sha256()))));
                notices.add(new Notice(fileName(source.familyName()) + ".txt", said(face, source.familyName())));
            }
        }
        return notices.stream().distinct().toList();
    }

    private static String said(Sfnt face, String family) {
        NameTable names = NameTable.read(face);
        return Stream.of(
                        Optional.of(family),
                        names.best(NameTable.COPYRIGHT),
                        names.best(NameTable.LICENSE),
                        names.best(NameTable.LICENSE_URL))
                .flatMap(Optional::stream)
                .reduce("", (text, line) -> text + line.strip() + "\n\n");
    }

    private static String fileName(String name) {
        String plain = name.replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-+|-+$", "");
        return plain.isEmpty() ? "license" : plain;
    }

    /** For the two faces that text is set in until the fonts are there: upright, regular and bold. */
    private static Optional<FallbackMetrics> stand(Slot slot, Sfnt face) {
        boolean regular = slot.weight().contains(400);
        boolean bold = !regular && slot.weight().contains(700);
        if (slot.slope() != Slope.UPRIGHT || !(regular || bold)) {
            return Optional.empty();
        }
        GenericFamily generic = Classification.propose(face)
                .map(proposal -> GenericFamily.of(proposal.classification()))
                .orElse(GenericFamily.SANS_SERIF);
        try {
            return Optional.of(FallbackMetrics.of(face, SystemFace.of(generic, bold)));
        } catch (FontException e) {
            return Optional.empty();
        }
    }

    /** The bytes of a face in the format that browsers take first. */
    static long bytes(Map<FontFormat, byte[]> files) {
        return files.values().iterator().next().length;
    }
}
