package app.unciala.server.check;

import app.unciala.core.check.ServedFont;
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
    static final String WRONG = "WRONG";
    private static final String SAME = "SAME";
    private static final String OTHER = "OTHER";
    private static final String OLDER = "OLDER";
    private static final String NOT_ASKED = "NOT_ASKED";

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
        Optional<PageRequest> there = asked(request -> request.fileName().equals(name) && request.status() == 200);
        Optional<PageRequest> same = asked(request -> request.sha256().equals(sha256));
        if (there.isPresent() && !there.get().sha256().equals(sha256)) {
            return other(path, bytes, there.get());
        }
        return there.or(() -> same)
                .map(request -> new PlacedFile(path, SAME, request.url(), List.of(), ""))
                .orElseGet(() -> new PlacedFile(path, isForOlder(path) ? OLDER : NOT_ASKED, null, List.of(), ""));
    }

    private PlacedFile other(String path, byte[] bytes, PageRequest there) {
        if (isStyleSheet(path)) {
            return new PlacedFile(path, OTHER, there.url(), rules(bytes, there), "");
        }
        ServedFont served = ServedFont.of(bytes, web.get(there.url(), Use.FONT).bytes());
        String state = served.is() == ServedFont.Kind.OTHER_BYTES ? OTHER : WRONG;
        return new PlacedFile(path, state, there.url(), List.of(), served.name());
    }

    /** Whether it is there for older browsers: pages that ask for the WOFF2 of the same name do not ask for it. */
    private boolean isForOlder(String path) {
        String name = Addresses.fileName(path);
        String stem = name.replaceAll("\\.[^.]*$", "");
        return !isStyleSheet(path)
                && !name.endsWith(".woff2")
                && asked(request -> request.fileName().equals(stem + ".woff2")).isPresent();
    }

    private Optional<PageRequest> asked(Predicate<PageRequest> which) {
        return requests.stream().filter(which).findFirst();
    }

    private List<PlacedRule> rules(byte[] bytes, PageRequest request) {
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
