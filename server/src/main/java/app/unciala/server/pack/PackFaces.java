package app.unciala.server.pack;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.license.Basis;
import app.unciala.core.license.Clearance.Answer;
import app.unciala.core.license.Verdict;
import app.unciala.core.metrics.FallbackMetrics;
import app.unciala.core.metrics.SystemFace;
import app.unciala.core.pack.PackRequest.Cut;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Notice;
import app.unciala.core.pack.SiteCharacters;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Classification;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.language.LanguageCoverage;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.FvarTable;
import app.unciala.font.table.NameTable;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.flag.AskedRow.GoesOut;
import app.unciala.server.flag.AskedRow.GoesOut.FormatAnswer;
import app.unciala.server.license.DocumentKind;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.site.SiteDelivery;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.storage.DerivedFiles;
import app.unciala.server.storage.FileStore;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Makes the files of a face as a site's host takes them: cut to its characters, in the formats of its browsers. */
@Component
class PackFaces {
    private static final int MOST_SHOWN = 24;
    private static final Pattern DIGEST = Pattern.compile("[0-9a-f]{64}");

    private final FileStore store;
    private final DerivedFiles derived;
    private final LicenseService licenses;

    PackFaces(FileStore store, DerivedFiles derived, LicenseService licenses) {
        this.store = store;
        this.derived = derived;
        this.licenses = licenses;
    }

    /** A face that goes out, and what of it may. */
    record Source(String familyId, String familyName, GoesOut goesOut) {
        static Source of(AskedRow row) {
            return new Source(row.familyId(), row.familyName(), Objects.requireNonNull(row.goesOut()));
        }

        Slot slot() {
            return goesOut.slot().toSlot();
        }

        String name() {
            return familyName + " " + goesOut.slot().label();
        }
    }

    /** A held font that a format comes from. */
    private record Held(String sha256, byte[] bytes, Sfnt face, FontFormat format) {}

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
        GoesOut goesOut = source.goesOut();
        List<String> undone = new ArrayList<>();
        Map<FontFormat, Held> held = new LinkedHashMap<>();
        Map<String, Held> read = new HashMap<>();
        for (FormatAnswer answer : goesOut.formats()) {
            Held file = read.computeIfAbsent(answer.sha256(), this::held);
            if (mayGoOut(source, answer, undone) && hasOutlinesFor(source, file.face(), answer.format(), undone)) {
                held.put(answer.format(), file);
            }
        }
        if (held.isEmpty()) {
            return new MadeFace(List.of(), undone);
        }
        Sfnt face = held.values().iterator().next().face();
        BitSet all = CmapTable.read(face).characters();
        delivery.languages().forEach(tag -> lacking(source, tag, all).ifPresent(undone::add));
        List<ScriptPart> kept = kept(source, site, all, undone);
        ReservedNames reserved = ReservedNames.of(face, source.familyName());
        String nameInCss = site.familyNames().getOrDefault(source.familyId(), source.familyName());
        FontChange whole = new FontChange(
                Optional.empty(),
                goesOut.limited() ? Optional.of(source.slot()) : Optional.empty(),
                reserved.renamedTo(nameInCss, source));
        if (!kept.isEmpty()
                || held.entrySet().stream()
                        .anyMatch(one -> !whole.leavesAlone(one.getValue().format(), one.getKey()))) {
            reserved.asksFor(nameInCss, source).ifPresent(undone::add);
        }
        Making making = new Making(
                source,
                held,
                all,
                delivery.wantedFormats(),
                delivery.standIns() ? stand(source.slot(), face) : Optional.empty(),
                licenseLine,
                notices(source, face, licenseIds));
        if (kept.isEmpty()) {
            return new MadeFace(List.of(part(making, whole, Optional.empty())), undone);
        }
        try {
            List<Part> parts = new ArrayList<>();
            for (ScriptPart one : kept) {
                FontChange change = new FontChange(Optional.of(one.characters()), whole.limited(), whole.family());
                parts.add(part(
                        making,
                        change,
                        kept.size() > 1
                                ? Optional.of(new ScriptPart(one.script(), both(one.characters(), all)))
                                : Optional.empty()));
            }
            return new MadeFace(parts, undone);
        } catch (FontException e) {
            undone.add(source.name() + ": not subset, as it can’t be: " + e.getMessage());
            return new MadeFace(List.of(part(making, whole, Optional.empty())), undone);
        }
    }

    /** What the files of a face have in common. */
    private record Making(
            Source source,
            Map<FontFormat, Held> held,
            BitSet all,
            List<FontFormat> order,
            Optional<FallbackMetrics> stand,
            String licenseLine,
            List<Notice> notices) {
        Held heldFor(FontFormat format) {
            return Objects.requireNonNull(held.get(format));
        }
    }

    private Part part(Making making, FontChange change, Optional<ScriptPart> script) {
        SortedMap<FontFormat, byte[]> files = new TreeMap<>(Comparator.comparingInt(making.order()::indexOf));
        making.held().forEach((format, file) -> files.put(format, made(file, format, change)));
        FontFormat first = files.firstKey();
        Held main = making.heldFor(first);
        return new Part(
                new Face(
                        making.source().familyName(),
                        making.source().slot(),
                        main.sha256(),
                        files,
                        change.limited().isPresent() ? Optional.empty() : slant(main.face()),
                        making.licenseLine(),
                        making.notices(),
                        script,
                        change.characters()
                                .map(some -> new Cut(
                                        both(some, making.all()).cardinality(),
                                        making.all().cardinality())),
                        making.stand()),
                address(main, first, change));
    }

    private Held held(String sha256) {
        byte[] bytes = store.get(sha256);
        FontFile file = FontReader.read(bytes);
        return new Held(sha256, bytes, file.faces().get(0), file.format());
    }

    /**
     * The characters to keep, if the site's fonts are cut and this one may be: those of each script apart, of the scripts
     * that the face has any of.
     */
    private static List<ScriptPart> kept(Source source, Site site, BitSet all, List<String> undone) {
        Answer subsetting = source.goesOut().subsetting();
        if (!source.goesOut().subsetWanted()) {
            return List.of();
        }
        if (subsetting.verdict() != Verdict.ALLOWED) {
            undone.add(source.name() + ": not subset, " + because(subsetting));
            return List.of();
        }
        String own = site.delivery().words() + site.name() + site.clientName();
        List<ScriptPart> parts = SiteCharacters.byScript(site.delivery().languages(), own);
        List<ScriptPart> had =
                parts.stream().filter(part -> part.characters().intersects(all)).toList();
        return had.isEmpty() ? parts.subList(0, 1) : had;
    }

    /** Whether a format goes out: the one that was decided on with the face, and those that licenses allow besides. */
    private static boolean mayGoOut(Source source, FormatAnswer format, List<String> undone) {
        if (format.format() == source.goesOut().format() || format.answer().verdict() == Verdict.ALLOWED) {
            return true;
        }
        undone.add(source.name() + ": no " + format.format().label() + ", " + because(format.answer()));
        return false;
    }

    private static String because(Answer answer) {
        return answer.verdict() == Verdict.REFUSED
                ? "as its license refuses it"
                : "as its license does not say that it may be";
    }

    /**
     * Whether a face can be written in a format: CFF outlines become TrueType ones, but not the other way round, and not
     * those that vary. Of both, whichever is held is taken.
     */
    private static boolean hasOutlinesFor(Source source, Sfnt face, FontFormat format, List<String> undone) {
        boolean bare = format == FontFormat.TTF || format == FontFormat.OTF;
        if (!bare || face.bareFormat() == format) {
            return true;
        }
        if (source.goesOut().formats().stream()
                .anyMatch(other -> other.format() == face.bareFormat()
                        && (other.format() == source.goesOut().format()
                                || other.answer().verdict() == Verdict.ALLOWED))) {
            return false;
        }
        if (format == FontFormat.TTF && face.table("CFF2").isEmpty()) {
            return true;
        }
        undone.add(source.name() + ": no " + format.label() + ", as its outlines are those of "
                + face.bareFormat().label());
        return false;
    }

    /** A file as it goes out: as it is held where nothing of it changes. */
    private byte[] made(Held file, FontFormat format, FontChange change) {
        if (change.isNone(file.format(), format)) {
            return file.bytes();
        }
        try {
            return Files.readAllBytes(derived.kept(
                    file.sha256(),
                    change.name(file.format(), format),
                    () -> FontWriter.write(change.of(file.face(), file.format(), format), format)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String address(Held file, FontFormat format, FontChange change) {
        String held = "/api/files/" + file.sha256();
        return change.isNone(file.format(), format) ? held : held + "/delivered/" + change.name(file.format(), format);
    }

    /** What was made of a stored font for packs, under its name. */
    Path delivered(String sha256, String name) {
        return Optional.of(name)
                .filter(FontChange::isName)
                .filter(any -> DIGEST.matcher(sha256).matches())
                .flatMap(known -> derived.find(sha256, known))
                .orElseThrow(() -> Fault.notFound("file made for packs", name));
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
        return Optional.of(source.name() + ": lacks "
                + Sentences.count(lacking.cardinality(), "character", "characters") + " of "
                + LanguageCoverage.name(tag) + ": " + shown + (lacking.cardinality() > MOST_SHOWN ? " …" : ""));
    }

    private static BitSet both(BitSet kept, BitSet all) {
        BitSet both = (BitSet) kept.clone();
        both.and(all);
        return both;
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
