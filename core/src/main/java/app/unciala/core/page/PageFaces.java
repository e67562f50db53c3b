package app.unciala.core.page;

import app.unciala.core.css.FontMatching;
import app.unciala.core.css.FontMatching.Match;
import app.unciala.core.css.UnicodeRange;
import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.PageSheets.FaceRule;
import app.unciala.core.css.cascade.Rule;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.proof.DeclaredFace;
import app.unciala.core.proof.DeclaredFace.Source;
import app.unciala.core.proof.Names;
import app.unciala.font.budget.Budget;
import app.unciala.font.face.Slot;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The faces that a page declares, and which of them paints what (CSS Fonts 4, section 5). */
final class PageFaces {
    private final Map<String, Map<Slot, List<PageFace>>> families = new LinkedHashMap<>();
    private final List<PageFace> all = new ArrayList<>();
    private final PageFonts fonts;
    private final Set<String> ofScripts;

    /** {@code ofScripts} are families that no rule declares and that are there all the same, in lower case. */
    PageFaces(List<FaceRule> rules, PageFonts fonts, Set<String> ofScripts) {
        this.fonts = fonts;
        this.ofScripts = ofScripts;
        rules.forEach(this::add);
    }

    /**
     * A face as a rule declares it.
     *
     * @param urls what it may be loaded from, in order, those a browser would not try left out
     * @param characters those it serves, if not all
     */
    record PageFace(String family, Slot slot, List<String> urls, Optional<BitSet> characters, Rule rule) {
        boolean serves(int codePoint) {
            return characters.isEmpty() || characters.get().get(codePoint);
        }
    }

    /** A face chosen for a style, and what browsers fake with it. */
    record Chosen(PageFace face, PageFonts.Loaded font, boolean fakesBold, boolean fakesSlope) {}

    private void add(FaceRule rule) {
        DeclaredFace declared = DeclaredFace.read(rule.sheet(), rule.rule());
        if (declared.family().isEmpty() || declared.sources().isEmpty()) {
            return;
        }
        String family = declared.family().get().text();
        String characters = rule.rule()
                .declaration("unicode-range")
                .map(declaration -> rule.sheet().source(declaration.value()))
                .orElse("");
        PageFace face = new PageFace(
                family,
                declared.slot(),
                declared.sources().stream()
                        .filter(PageFaces::isTried)
                        .flatMap(source -> source.url().stream())
                        .flatMap(url -> Addresses.resolved(url, rule.base()).stream())
                        .toList(),
                characters.isEmpty() ? Optional.empty() : UnicodeRange.read(characters),
                new Rule(rule.url(), rule.line(), "@font-face"));
        all.add(face);
        families.computeIfAbsent(key(family), any -> new LinkedHashMap<>())
                .computeIfAbsent(face.slot(), any -> new ArrayList<>())
                .add(0, face);
    }

    /** Formats that browsers of today do not take are passed over unloaded. */
    private static boolean isTried(Source source) {
        return source.hint()
                .filter(hint -> hint.equals("svg") || hint.equals("embedded-opentype"))
                .isEmpty();
    }

    private static String key(String family) {
        return family.toLowerCase(Locale.ROOT);
    }

    List<PageFace> all() {
        return List.copyOf(all);
    }

    boolean declares(FamilyName name) {
        return !name.isGeneric() && families.containsKey(key(name.name()));
    }

    /** Whether a family is there without a rule: it comes with operating systems, or a script added it. */
    boolean isOfSystems(FamilyName family) {
        Budget.check();
        String name = key(family.name());
        return family.isGeneric() || Names.isOfSystems(name) || (ofScripts.contains(name) && !declares(family));
    }

    /** The names under which faces are declared. */
    List<String> names() {
        return all.stream().map(PageFace::family).distinct().toList();
    }

    /**
     * The face of a family that paints a character, if one does. Of the faces that a family has, browsers choose one by
     * style, and if that one cannot be loaded or lacks the character, go on to the next family.
     */
    Optional<Chosen> painting(FamilyName family, TextStyle style, int codePoint) {
        Budget.check();
        Map<Slot, List<PageFace>> faces = families.getOrDefault(key(family.name()), Map.of());
        Optional<Match> match = FontMatching.match(asked(style), faces.keySet());
        if (family.isGeneric() || match.isEmpty()) {
            return Optional.empty();
        }
        for (PageFace face : faces.getOrDefault(match.get().face(), List.of())) {
            if (face.serves(codePoint)) {
                Optional<PageFonts.Loaded> font = fonts.loaded(face);
                if (font.filter(loaded -> loaded.has(codePoint)).isPresent()) {
                    return Optional.of(new Chosen(
                            face,
                            font.get(),
                            match.get().fakesBold() && style.fakesBold(),
                            match.get().fakesSlope() && style.fakesSlope()));
                }
            }
        }
        return Optional.empty();
    }

    /** Whether a family has a face for a character, and no file of it can be used. */
    boolean fails(FamilyName family, TextStyle style, int codePoint) {
        Map<Slot, List<PageFace>> faces = families.getOrDefault(key(family.name()), Map.of());
        List<PageFace> serving = FontMatching.match(asked(style), faces.keySet()).stream()
                .flatMap(match -> faces.getOrDefault(match.face(), List.of()).stream())
                .filter(face -> face.serves(codePoint))
                .toList();
        return !serving.isEmpty()
                && serving.stream().allMatch(face -> fonts.loaded(face).isEmpty());
    }

    private static Slot asked(TextStyle style) {
        return Slot.of(style.weight(), Math.max(1, style.width()), style.slope());
    }
}
