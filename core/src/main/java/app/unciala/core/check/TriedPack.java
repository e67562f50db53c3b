package app.unciala.core.check;

import app.unciala.core.css.CssText;
import app.unciala.core.pack.Pack;
import app.unciala.core.pack.Pack.Entry;
import app.unciala.core.pack.Placement;
import app.unciala.core.page.Addresses;
import app.unciala.core.page.AskedRole;
import app.unciala.core.page.PageReader;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.RolesOnPage.OfRole;
import app.unciala.core.page.TriedSheet;
import app.unciala.core.proof.StyleElements;
import app.unciala.font.FontFormat;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A page as a pack would make it, before anybody uploads that.
 *
 * @param reading the page with the pack's rules after its own
 * @param roles how its text roles would be shown
 */
public record TriedPack(PageReading reading, List<OfRole> roles) {
    public TriedPack {
        roles = List.copyOf(roles);
    }

    /** A page that a reader read last, with a pack's rules after its own. */
    static TriedPack on(PageReading page, TriedSheet sheet, PageReader reader, List<AskedRole> roles) {
        PageReading tried = reader.with(sheet, page);
        return new TriedPack(tried, reader.roles(tried, roles));
    }

    /**
     * The rules of a pack as they are tried on pages; nothing for a pack without any.
     *
     * @param placement how its files are placed on the host, and so named in its rules
     */
    public static Optional<TriedSheet> sheet(Pack pack, Placement placement) {
        Map<String, byte[]> fonts = new LinkedHashMap<>();
        pack.entries().stream()
                .filter(entry -> FontFormat.promisedBy(entry.path()).isPresent())
                .forEach(entry -> fonts.put(Addresses.fileName(entry.path()), entry.bytes()));
        return rules(pack).map(css -> {
            String tried = css;
            for (String name : fonts.keySet()) {
                String there = placement.url(name);
                for (String written : List.of(CssText.quote(there), "'" + there + "'", "\"" + there + "\"", there)) {
                    tried = tried.replace(
                            "url(" + written + ")", "url(" + CssText.quote(TriedSheet.address(name)) + ")");
                }
            }
            return new TriedSheet(tried, fonts);
        });
    }

    private static Optional<String> rules(Pack pack) {
        return pack.entries().stream()
                .filter(entry -> entry.path().matches("[^/]*\\.css|head\\.html"))
                .findFirst()
                .map(Entry::bytes)
                .map(bytes -> StyleElements.only(new String(bytes, StandardCharsets.UTF_8)));
    }
}
