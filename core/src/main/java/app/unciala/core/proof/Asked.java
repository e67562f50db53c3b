package app.unciala.core.proof;

import app.unciala.core.css.FontMatching;
import app.unciala.core.css.FontMatching.Match;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.proof.Names.Name;
import app.unciala.font.Numbers;
import app.unciala.font.budget.Budget;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Which faces the rules ask for, against those that are declared: what is faked, and what nothing asks for. */
final class Asked {
    private static final List<String> ROOTS = List.of("body", "html", ":root", "*");

    private final FontSheet fonts;
    private final StyleSheet sheet;
    private final List<Finding> found = new ArrayList<>();
    private final Set<String> told = new HashSet<>();
    private final Set<Double> askedWeights = new LinkedHashSet<>(List.of(400.0, 700.0));
    private final Set<Double> askedWidths = new LinkedHashSet<>(List.of(100.0));

    private Asked(FontSheet fonts) {
        this.fonts = fonts;
        sheet = fonts.sheet();
        fonts.uses().forEach(use -> {
            askedWeights.add(slot(use).weight().min());
            askedWidths.add(slot(use).width().min());
        });
    }

    static Stream<Finding> find(FontSheet fonts) {
        Asked asked = new Asked(fonts);
        asked.notDeclared();
        asked.notUsed();
        return asked.found.stream();
    }

    /** What a rule asks of its family; normal where it says nothing. */
    static Slot slot(FontUse use) {
        double weight = use.weight().orElse(400.0);
        return Slot.of(
                Math.max(1, Math.min(1000, weight)),
                Math.max(1, use.width().orElse(100.0)),
                use.slope().orElse(Slope.UPRIGHT));
    }

    private void notDeclared() {
        for (FontUse use : fonts.uses()) {
            if (use.weightIsUnknown()) {
                continue;
            }
            if (use.families().isEmpty()) {
                inherited(use).ifPresent(family -> tell(use, family, slot(use)));
            } else {
                leading(use).ifPresent(family -> tell(use, family, slot(withWhatOthersSay(use))));
            }
        }
    }

    /** The family that browsers take for a rule: the first one that is declared, unless one before it may be there. */
    private Optional<String> leading(FontUse use) {
        for (Name name : use.families()) {
            if (!fonts.declared(name.text()).isEmpty()) {
                return Optional.of(name.text());
            }
            if (name.isSystem() || name.unknown()) {
                return Optional.empty();
            }
        }
        return Optional.empty();
    }

    /** What a rule that names no family is set in: as another rule for the same elements says, or the whole page. */
    private Optional<String> inherited(FontUse use) {
        Optional<FontUse> same = sameSubjects(use).findFirst();
        if (same.isPresent()) {
            return Optional.empty();
        }
        return ROOTS.stream()
                .flatMap(root -> fonts.usesOf(root).stream())
                .filter(other -> !other.families().isEmpty())
                .findFirst()
                .flatMap(this::leading);
    }

    private Stream<FontUse> sameSubjects(FontUse use) {
        return use.subjects().stream()
                .flatMap(subject -> fonts.usesOf(subject).stream())
                .filter(other -> !other.equals(use) && !other.families().isEmpty());
    }

    private FontUse withWhatOthersSay(FontUse use) {
        if (use.rule().declaration("font-weight").isPresent()) {
            return use;
        }
        return use.subjects().stream()
                .flatMap(subject -> fonts.usesOf(subject).stream())
                .filter(other -> other.families().isEmpty()
                        && other.weight().isPresent()
                        && other.subjects().equals(use.subjects()))
                .reduce((first, second) -> second)
                .map(other -> new FontUse(
                        use.rule(),
                        use.declaration(),
                        use.families(),
                        use.subjects(),
                        other.weight(),
                        use.slope(),
                        use.width()))
                .orElse(use);
    }

    private void tell(FontUse use, String family, Slot asked) {
        List<Slot> slots =
                fonts.declared(family).stream().map(DeclaredFace::slot).toList();
        Optional<Match> match = FontMatching.match(asked, slots);
        if (match.isEmpty()
                || match.get().face().standsFor(asked)
                || !told.add(Names.folded(family) + " " + asked.key())) {
            return;
        }
        String face = Numbers.plain(asked.weight().min())
                + (asked.width().min() == 100
                        ? ""
                        : " " + Numbers.plain(asked.width().min()) + "% wide")
                + (asked.slope() == Slope.UPRIGHT ? "" : " italic");
        found.add(Finding.at(
                sheet,
                use.declaration().start(),
                FindingKind.ASKED_FACE_NOT_DECLARED,
                "“" + family + "” is asked for in " + face + ", which no face supplies: browsers take "
                        + match.get().face().label() + faked(match.get()) + "."));
    }

    private static String faked(Match match) {
        if (match.fakesBold() && match.fakesSlope()) {
            return " and fake both the bold and the slant";
        }
        return match.fakesBold() ? " and fake the bold" : match.fakesSlope() ? " and fake the slant" : "";
    }

    /** Faces that no rule can come to, with bold and italic in the text besides what the rules say. */
    private void notUsed() {
        List<FontUse> naming =
                fonts.uses().stream().filter(use -> !use.families().isEmpty()).toList();
        boolean unknown =
                naming.stream().flatMap(use -> use.families().stream()).anyMatch(Name::unknown)
                        || fonts.uses().stream().anyMatch(FontUse::weightIsUnknown);
        if (naming.isEmpty() || unknown) {
            return;
        }
        // A name that is mistaken, or is that of one face, is told of as such; its face is not unused besides.
        NearNames named = new NearNames(naming.stream()
                .flatMap(use -> use.families().stream())
                .map(Name::text)
                .distinct()
                .toList());
        for (String family : fonts.declaredFamilies()) {
            List<DeclaredFace> faces = fonts.declared(family);
            if (fonts.isPart(family)) {
                continue;
            }
            if (named.of(family).isEmpty()) {
                faces.forEach(face -> unused(face, "No rule names “" + family + "”, so this face is never loaded."));
            } else {
                Set<String> taken = taken(faces);
                faces.stream()
                        .filter(face -> !taken.contains(face.slot().key()))
                        .forEach(face -> unused(
                                face,
                                "No rule asks for “" + family + "” "
                                        + face.slot().label() + ", so this face is never loaded."));
            }
        }
    }

    private Set<String> taken(List<DeclaredFace> faces) {
        List<Slot> slots = faces.stream().map(DeclaredFace::slot).toList();
        Set<Double> widths = new LinkedHashSet<>(askedWidths);
        slots.forEach(slot -> widths.add(slot.width().min()));
        Set<String> taken = new HashSet<>();
        for (double weight : askedWeights) {
            for (double width : widths) {
                for (Slope slope : Slope.values()) {
                    Budget.check();
                    FontMatching.match(Slot.of(weight, width, slope), slots)
                            .ifPresent(match -> taken.add(match.face().key()));
                }
            }
        }
        return taken;
    }

    private void unused(DeclaredFace face, String message) {
        found.add(Finding.at(sheet, face.rule().start(), FindingKind.UNUSED_FACE, message)
                .fixedBy("Take out the rule", Corrections.remove(sheet, face.rule())));
    }
}
