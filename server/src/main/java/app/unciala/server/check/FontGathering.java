package app.unciala.server.check;

import app.unciala.core.check.CheckedPage;
import app.unciala.core.page.Addresses;
import app.unciala.core.page.PageFont;
import app.unciala.core.page.Run;
import app.unciala.core.page.TriedSheet;
import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.server.check.CheckReport.FoundFont;
import app.unciala.server.family.FileFacts;
import app.unciala.server.family.HeldFamilies;
import app.unciala.server.family.HeldFamilies.HeldFace;
import app.unciala.server.family.HeldSketches;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import app.unciala.server.storage.FileStore;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;

/** Gathers the fonts of a site's pages: each once by its bytes, with where it was found and what is held like it. */
final class FontGathering {
    private static final int MOST_PAGES = 20;
    /** From here on a font of the same family name is taken for a cut of what is held, or another version of it. */
    private static final double SAME_FACE = 0.9;
    /** From here on a font of any name is. */
    private static final double COPY = 0.97;

    private final FileStore store;
    private final HeldSketches sketches;
    private final HeldFamilies families;
    private final Predicate<String> isThirdParty;
    private final Map<String, Found> bySha256 = new LinkedHashMap<>();

    /** {@code isThirdParty} says of a host whether it is none of the site's. */
    FontGathering(FileStore store, HeldSketches sketches, HeldFamilies families, Predicate<String> isThirdParty) {
        this.store = store;
        this.sketches = sketches;
        this.families = families;
        this.isThirdParty = isThirdParty;
    }

    /** A font with where it was found so far. */
    private static final class Found {
        private final FontFormat format;
        private final Set<String> urls = new TreeSet<>();
        private final Set<String> pages = new TreeSet<>();
        private final Set<String> hosts = new TreeSet<>();
        private int texts;

        private Found(FontFormat format) {
            this.format = format;
        }
    }

    /** Takes down the fonts that paint text of a page, and gives the digests of all its fonts by address. */
    Map<String, String> add(CheckedPage page) {
        Map<String, String> digests = new LinkedHashMap<>();
        Map<String, Integer> painted = painted(page);
        for (PageFont font : page.fonts()) {
            String sha256 = FileStore.sha256(font.bytes());
            digests.put(font.url(), sha256);
            if (painted.containsKey(font.url())) {
                Found found = bySha256.computeIfAbsent(sha256, any -> {
                    store.put(font.bytes());
                    return new Found(font.format());
                });
                found.urls.add(font.url());
                found.pages.add(page.url());
                found.hosts.add(Addresses.host(page.laptop().at()));
                found.texts += painted.get(font.url());
            }
        }
        page.tried().ifPresent(pack -> pack.reading().fonts().stream()
                .filter(font -> font.url().startsWith(TriedSheet.address("")))
                .forEach(font -> digests.put(font.url(), store.put(font.bytes()))));
        return digests;
    }

    /** How many texts each font paints on a laptop, or 0 for one that paints on a phone only. */
    private static Map<String, Integer> painted(CheckedPage page) {
        Map<String, Integer> painted = new LinkedHashMap<>();
        count(page.laptop().runs(), 1, painted);
        count(page.phone().runs(), 0, painted);
        return painted;
    }

    private static void count(List<Run> runs, int each, Map<String, Integer> painted) {
        runs.stream()
                .flatMap(run -> run.given().stream())
                .flatMap(given -> given.url().stream())
                .forEach(url -> painted.merge(url, each, Integer::sum));
    }

    /** All of them; {@code ofPack} are the digests of the files of the site's pack. */
    List<FoundFont> all(Set<String> ofPack) {
        return bySha256.entrySet().stream()
                .flatMap(entry -> read(entry.getKey(), entry.getValue(), ofPack.contains(entry.getKey())).stream())
                .toList();
    }

    private Optional<FoundFont> read(String sha256, Found found, boolean inPack) {
        try {
            // Read again from the store: a site may have more fonts than fit into memory.
            byte[] bytes = store.get(sha256);
            Sfnt face = FontReader.read(bytes).faces().get(0);
            FaceReport report = FaceReport.of(face);
            FileFacts facts = FileFacts.of(face, report);
            String family = report.identity().family();
            Optional<Near> near = near(facts, family);
            return Optional.of(new FoundFont(
                    sha256,
                    facts.drawing(),
                    family,
                    family + " " + report.identity().slot().label(),
                    SlotView.of(report.identity().slot()),
                    found.format.key(),
                    bytes.length,
                    facts.codePoints(),
                    List.copyOf(found.urls),
                    found.pages.stream().limit(MOST_PAGES).toList(),
                    List.copyOf(found.hosts),
                    found.texts,
                    found.urls.stream().map(Addresses::host).anyMatch(isThirdParty),
                    inPack,
                    near.map(Near::fileId).orElse(null),
                    near.map(Near::alike).orElse(0.0)));
        } catch (FontException e) {
            // Browsers paint with it, but it has no names or outlines that we read; the page's text is shown all the
            // same.
            return Optional.empty();
        }
    }

    private record Near(String fileId, double alike) {}

    private Optional<Near> near(FileFacts facts, String family) {
        Map<String, Double> alike = new LinkedHashMap<>();
        sketches.nearest(facts.sketch(), SAME_FACE, 3).forEach(near -> alike.put(near.key(), near.alike()));
        Map<String, String> names = new LinkedHashMap<>();
        families.faces(alike.keySet(), List.of(), List.of())
                .forEach((HeldFace held) -> names.put(held.fileId(), Texts.familyKey(held.familyName())));
        return alike.entrySet().stream()
                .filter(entry -> names.containsKey(entry.getKey()))
                .filter(entry ->
                        entry.getValue() >= COPY || Texts.familyKey(family).equals(names.get(entry.getKey())))
                .findFirst()
                .map(entry -> new Near(entry.getKey(), entry.getValue()));
    }
}
