package app.unciala.server.check;

import app.unciala.core.check.SheetDifference;
import app.unciala.core.css.syntax.StyleSheetBytes;
import app.unciala.core.page.Addresses;
import app.unciala.core.page.PageRequest;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import app.unciala.font.FontFormat;
import app.unciala.server.check.CheckReport.PackOnHost;
import app.unciala.server.check.CheckReport.PlacedFile;
import app.unciala.server.check.CheckReport.PlacedRule;
import app.unciala.server.pack.PackService.PackFiles;
import app.unciala.server.storage.FileStore;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Compares a pack with what pages ask for: which of its files are there, and which rules of its style sheet. */
final class PlacedPack {
    private final Collection<PageRequest> requests;
    private final Resources web;

    private PlacedPack(Collection<PageRequest> requests, Resources web) {
        this.requests = requests;
        this.web = web;
    }

    static PackOnHost of(PackFiles pack, Collection<PageRequest> requests, Resources web) {
        PlacedPack placed = new PlacedPack(requests, web);
        List<PlacedFile> files = pack.files().entries().stream()
                .filter(entry -> FontFormat.promisedBy(entry.path()).isPresent() || isStyleSheet(entry.path()))
                .map(entry -> placed.file(entry.path(), entry.bytes()))
                .toList();
        return new PackOnHost(pack.id(), pack.madeAt(), files);
    }

    private PlacedFile file(String path, byte[] bytes) {
        String name = Addresses.fileName(path);
        String sha256 = FileStore.sha256(bytes);
        return asked(request -> request.sha256().equals(sha256))
                .map(request -> new PlacedFile(path, "SAME", request.url(), List.of()))
                .or(() -> asked(request -> request.fileName().equals(name) && request.status() == 200)
                        .map(request -> new PlacedFile(path, "OTHER", request.url(), rules(path, bytes, request))))
                .orElse(new PlacedFile(path, "NOT_ASKED", null, List.of()));
    }

    private Optional<PageRequest> asked(Predicate<PageRequest> which) {
        return requests.stream().filter(which).findFirst();
    }

    private List<PlacedRule> rules(String path, byte[] bytes, PageRequest request) {
        if (!isStyleSheet(path)) {
            return List.of();
        }
        Resource live = web.get(request.url(), Use.STYLE_SHEET);
        return live.isFound()
                ? SheetDifference.between(StyleSheetBytes.decode(bytes), StyleSheetBytes.decode(live.bytes())).stream()
                        .limit(PlacedFile.MOST_RULES)
                        .map(PlacedRule::of)
                        .toList()
                : List.of();
    }

    private static boolean isStyleSheet(String path) {
        return path.endsWith(".css");
    }
}
