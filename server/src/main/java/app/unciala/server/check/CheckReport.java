package app.unciala.server.check;

import app.unciala.core.check.CheckDifference.PageSaid;
import app.unciala.core.check.CheckDifference.Told;
import app.unciala.core.check.SheetDifference;
import app.unciala.core.check.ThirdParties.ThirdParty;
import app.unciala.core.css.GenericFamily;
import app.unciala.core.page.Addresses;
import app.unciala.server.check.CheckedText.PageNote;
import app.unciala.server.check.CheckedText.ReadInBrowser;
import app.unciala.server.inventory.SlotView;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What a check found on all pages together, as it is kept.
 *
 * @param pack the files of the pack that was the latest then; null if there was none
 * @param roles the text roles of the site on its pages
 * @param tried how a pack that is not deployed yet would change the pages; null where there is none
 */
record CheckReport(
        List<PageLine> pages,
        List<FoundFont> fonts,
        List<PageNote> notes,
        List<ThirdParty> thirdParties,
        List<UsedRole> used,
        @Nullable PackOnHost pack,
        List<RoleOnPages> roles,
        @Nullable TriedOnPages tried) {
    static final CheckReport NONE =
            new CheckReport(List.of(), List.of(), List.of(), List.of(), List.of(), null, List.of(), null);

    CheckReport {
        // Checks that were kept before roles were looked for have none.
        roles = roles == null ? List.of() : roles;
        thirdParties = thirdParties.stream()
                .map(one -> one.showing(texts(fonts, one.host())))
                .toList();
    }

    /** How many texts are shown in fonts of a host. */
    private static int texts(List<FoundFont> fonts, String host) {
        return fonts.stream()
                .filter(font ->
                        font.urls().stream().anyMatch(url -> Addresses.host(url).equals(host)))
                .mapToInt(FoundFont::texts)
                .sum();
    }

    /**
     * A page in short.
     *
     * @param why why it could not be read; null if it was
     * @param fontBytes what its fonts weigh on the first view
     * @param requests how many style sheets and fonts are asked for
     * @param browser by whom it was read in a browser; null if the server read it
     */
    public record PageLine(
            int position,
            String url,
            String title,
            @Schema(types = {"string", "null"}) @Nullable String why,
            int texts,
            int errors,
            int warnings,
            int notes,
            long fontBytes,
            int requests,
            @Schema(types = {"object", "null"}) @Nullable ReadInBrowser browser) {
        boolean isRead() {
            return why == null;
        }
    }

    /**
     * A font that paints text of the pages.
     *
     * @param name its family and face as it says itself
     * @param pages those it was found on
     * @param hosts of those pages, in ASCII
     * @param texts how many texts it paints, or a part of them
     * @param fromOthers whether it comes from a host of others
     * @param inPack whether the pack that was the latest then has these very bytes
     * @param nearFileId the held file drawn most like it, if one is drawn like it at all
     * @param nearAlike how much, from 0 to 1
     */
    record FoundFont(
            String sha256,
            String drawing,
            String family,
            String name,
            SlotView slot,
            String format,
            long bytes,
            int codePoints,
            List<String> urls,
            List<String> pages,
            List<String> hosts,
            int texts,
            boolean fromOthers,
            boolean inPack,
            @Nullable String nearFileId,
            double nearAlike) {}

    /**
     * What texts of a role are painted in, that of most of them first.
     *
     * @param fonts digests of bytes
     * @param generic what their stacks end in; null if they do not end in a generic family
     */
    record UsedRole(
            String role,
            List<String> fonts,
            int texts,
            @Nullable GenericFamily generic) {}

    /**
     * What a pack would change on pages where it is not yet.
     *
     * @param texts how many texts would be shown in something else
     * @param roles the text roles of the site as they would be shown on a laptop
     */
    public record TriedOnPages(String packId, Instant madeAt, int texts, List<RoleOnPages> roles) {}

    /** The files of a pack against what pages ask for. */
    public record PackOnHost(String packId, Instant madeAt, List<PlacedFile> files) {}

    /**
     * A file of a pack: {@code SAME} is there, {@code OTHER} has its name and other bytes, {@code WRONG} is another face or
     * no font, {@code OLDER} is for older browsers only, {@code NOT_ASKED} for.
     *
     * @param rules those of a style sheet that the one on the host lacks or says otherwise
     * @param found what a font with other bytes calls itself; empty for none
     */
    public record PlacedFile(
            String path,
            String state,
            @Schema(types = {"string", "null"}) @Nullable String url,
            List<PlacedRule> rules,
            String found) {
        static final int MOST_RULES = 50;

        public PlacedFile {
            // Checks that were kept before rules were compared have none.
            rules = rules == null ? List.of() : rules;
            found = found == null ? "" : found;
        }

        /** What is there instead, in a sentence, where it is another face or no font. */
        Optional<String> wrong() {
            return state.equals(PlacedPack.WRONG)
                    ? Optional.of((found.isEmpty() ? "something that isn’t a font" : found) + " at " + url + ", where "
                            + path + " of the pack belongs.")
                    : Optional.empty();
        }
    }

    /**
     * A rule of the pack that is not on its host.
     *
     * @param found the rule there in its place; null when none is
     */
    public record PlacedRule(
            String rule,
            int line,
            @Schema(types = {"string", "null"}) @Nullable String found,
            int foundLine) {
        static PlacedRule of(SheetDifference difference) {
            return new PlacedRule(difference.rule(), difference.line(), difference.found(), difference.foundLine());
        }
    }

    /** What it said, to be compared with another. */
    Told told() {
        return new Told(
                pages.stream().map(PageLine::url).collect(Collectors.toCollection(LinkedHashSet::new)),
                notes.stream()
                        .map(note -> new PageSaid(note.page(), note.kind(), note.severity(), note.cause()))
                        .toList());
    }
}
