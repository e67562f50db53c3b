package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.proof.Names.Name;
import app.unciala.core.proof.WordsOfStyle.Divided;
import app.unciala.font.Numbers;
import app.unciala.font.budget.Budget;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.face.StyleNames;
import app.unciala.font.face.StyleNames.Said;
import com.google.common.collect.Sets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Faces as they are declared: complete, once, one family with several weights, and shown while they load. */
final class FaceFindings {
    private final FontSheet fonts;
    private final StyleSheet sheet;
    private final Reference reference;
    private final List<Finding> found = new ArrayList<>();

    private FaceFindings(FontSheet fonts, Reference reference) {
        this.fonts = fonts;
        this.reference = reference;
        sheet = fonts.sheet();
    }

    static Stream<Finding> find(FontSheet fonts, Reference reference) {
        FaceFindings findings = new FaceFindings(fonts, reference);
        fonts.faces().forEach(findings::descriptors);
        findings.repeated();
        findings.familiesPerWeight();
        return findings.found.stream();
    }

    private void descriptors(DeclaredFace face) {
        if (face.family().isEmpty()) {
            found.add(missing(face, "This face has no font-family, so nothing can use it."));
        }
        if (face.rule().declaration("src").isEmpty()) {
            found.add(missing(face, "This face has no src, so it loads nothing."));
        }
        if (face.rule().declaration("font-display").isEmpty()) {
            found.add(Finding.at(
                            sheet,
                            face.rule().start(),
                            FindingKind.MISSING_FONT_DISPLAY,
                            "Without font-display the text stays invisible while the font loads, for up to 3 seconds.")
                    .fixedBy("font-display: swap", Corrections.add(sheet, face.rule(), "font-display: swap")));
        }
        face.sources().stream()
                .flatMap(source -> source.fileName().stream())
                .findFirst()
                .filter(name -> FileFindings.known(reference, name).isEmpty())
                .flatMap(name -> WordsOfStyle.divide(name.replaceAll("\\.[^.]*$", "")))
                .ifPresent(divided -> saidByFileName(face, divided.style()));
    }

    /** A file called bold that is declared as nothing in particular is declared as regular. */
    private void saidByFileName(DeclaredFace face, Said said) {
        said.weight()
                .filter(weight -> weight != 400 && !face.slot().weight().contains(weight))
                .ifPresent(weight -> found.add(saidOtherwise(
                        face,
                        "font-weight",
                        FindingKind.WEIGHT_MISMATCH,
                        StyleNames.weightName(weight),
                        face.slot().weight().toString(),
                        String.valueOf(weight))));
        said.slope()
                .filter(slope -> face.slot().slope() == Slope.UPRIGHT)
                .ifPresent(slope -> found.add(saidOtherwise(
                        face, "font-style", FindingKind.STYLE_MISMATCH, slope.key(), "upright", slope.css())));
    }

    private Finding saidOtherwise(
            DeclaredFace face, String descriptor, FindingKind mismatch, String said, String declared, String value) {
        String fix = descriptor + ": " + value;
        Edit edit = Corrections.set(sheet, face.rule(), descriptor, value);
        return face.rule()
                .declaration(descriptor)
                .map(declaration -> Finding.at(
                        sheet,
                        declaration.start(),
                        mismatch,
                        "The file’s name says " + said + ", and it is declared as " + declared + "."))
                .orElseGet(() -> missing(
                        face,
                        "The file’s name says " + said + "; without " + descriptor + " it is declared as " + declared
                                + "."))
                .fixedBy(fix, edit);
    }

    private Finding missing(DeclaredFace face, String message) {
        return Finding.at(sheet, face.rule().start(), FindingKind.MISSING_DESCRIPTOR, message);
    }

    private void repeated() {
        Map<String, DeclaredFace> before = new HashMap<>();
        Set<Object> outermost = Sets.newIdentityHashSet();
        outermost.addAll(sheet.rules());
        for (DeclaredFace face : fonts.faces()) {
            Budget.check();
            if (face.family().isEmpty() || !outermost.contains(face.rule())) {
                continue;
            }
            String key = face.family().get().key() + " " + face.slot().key() + " " + face.characters(sheet);
            DeclaredFace earlier = before.put(key, face);
            if (earlier != null) {
                found.add(repeated(earlier, face, face.family().get().text()));
            }
        }
    }

    /** A face that is declared twice: the first is taken out where both are the same file, as the other may have other characters. */
    private Finding repeated(DeclaredFace earlier, DeclaredFace face, String family) {
        int line = sheet.place(earlier.rule().start()).line();
        String declared = "“" + family + "” " + face.slot().label() + " is declared on line " + line + " already";
        return isOfSameFile(earlier, face)
                ? Finding.at(
                                sheet,
                                face.rule().start(),
                                FindingKind.DUPLICATE_FACE,
                                declared + "; browsers take this later one.")
                        .fixedBy("Take out the rule on line " + line, Corrections.remove(sheet, earlier.rule()))
                : Finding.at(
                        sheet,
                        face.rule().start(),
                        FindingKind.DUPLICATE_FACE,
                        declared + ", with another file: browsers take this later one, and the other for what it lacks."
                                + " Say in each, by unicode-range, which characters it is for, or take one out.");
    }

    private static boolean isOfSameFile(DeclaredFace one, DeclaredFace other) {
        List<String> names = names(other);
        return names(one).stream().anyMatch(names::contains) || (names(one).isEmpty() && names.isEmpty());
    }

    /** The names of its files without their endings. */
    private static List<String> names(DeclaredFace face) {
        return face.sources().stream()
                .flatMap(source -> source.fileName().stream())
                .map(name -> name.replaceAll("\\.[^.]*$", ""))
                .toList();
    }

    /** Families whose names differ by a style alone, and whose faces do not say that style. */
    private void familiesPerWeight() {
        Map<String, List<String>> byFamily = new HashMap<>();
        Map<String, String> written = new HashMap<>();
        for (String family : fonts.declaredFamilies()) {
            Optional<Divided> divided = fonts.divided(family);
            String base = divided.map(Divided::family).orElse(family);
            byFamily.computeIfAbsent(Names.plain(base), key -> new ArrayList<>())
                    .add(family);
            written.merge(Names.plain(base), base, (first, second) -> divided.isEmpty() ? second : first);
        }
        byFamily.forEach((base, families) -> {
            if (families.size() > 1) {
                families.forEach(family -> fonts.divided(family)
                        .ifPresent(divided ->
                                found.add(perWeight(family, written.getOrDefault(base, base), divided.style()))));
            }
        });
    }

    private Finding perWeight(String family, String base, Said style) {
        String quoted = Names.quoted(base);
        List<Edit> edits = new ArrayList<>();
        List<DeclaredFace> faces = fonts.declared(family);
        for (DeclaredFace face : faces) {
            face.family().ifPresent(name -> edits.add(new Edit(name.start(), name.end(), quoted)));
            boolean plain =
                    face.slot().weight().isSingle() && face.slot().weight().min() == 400;
            style.weight()
                    .filter(weight -> plain && weight != 400)
                    .ifPresent(weight -> edits.add(Corrections.set(sheet, face.rule(), "font-weight", "" + weight)));
            style.slope().ifPresent(slope -> edits.add(styled(face, slope.css(), edits)));
        }
        for (FontUse use : fonts.uses()) {
            Budget.check();
            List<Name> named = use.families().stream()
                    .filter(name ->
                            name.names(family) && edits.stream().noneMatch(edit -> edit.start() == name.start()))
                    .toList();
            named.forEach(name -> edits.add(new Edit(name.start(), name.end(), quoted)));
            if (!named.isEmpty() && use.families().get(0).names(family)) {
                asked(use, style).ifPresent(edits::add);
            }
        }
        Name at = faces.get(0).family().orElseThrow();
        return Finding.at(
                        sheet,
                        at.start(),
                        FindingKind.FAMILY_PER_WEIGHT,
                        "“" + family + "” is a family of its own here, so bold and italic text in “" + base
                                + "” is faked. Declare it as a face of “" + base + "”.")
                .fixedBy("font-family: " + quoted, edits);
    }

    /** The style joined to a weight that is added in the same place, as two edits there would be one too many. */
    private Edit styled(DeclaredFace face, String style, List<Edit> edits) {
        Edit set = Corrections.set(sheet, face.rule(), "font-style", style);
        Optional<Edit> same = edits.stream()
                .filter(edit -> edit.start() == set.start() && edit.end() == set.end())
                .findFirst();
        same.ifPresent(edits::remove);
        return same.map(edit -> new Edit(set.start(), set.end(), edit.text() + set.text()))
                .orElse(set);
    }

    private Optional<Edit> asked(FontUse use, Said style) {
        Slot now = Asked.slot(use);
        double weight = style.weight().orElse(400);
        StringBuilder added = new StringBuilder();
        if (now.weight().min() != weight) {
            if (use.rule().declaration("font-weight").isPresent()) {
                return Optional.of(Corrections.set(sheet, use.rule(), "font-weight", Numbers.plain(weight)));
            }
            added.append("font-weight: ").append(Numbers.plain(weight));
        }
        if (style.slope().isPresent() && style.slope().get() != now.slope()) {
            if (use.rule().declaration("font-style").isPresent()) {
                return Optional.of(Corrections.set(
                        sheet, use.rule(), "font-style", style.slope().get().css()));
            }
            added.append(added.isEmpty() ? "" : "; ")
                    .append("font-style: ")
                    .append(style.slope().get().css());
        }
        return added.isEmpty() ? Optional.empty() : Optional.of(Corrections.add(sheet, use.rule(), added.toString()));
    }
}
