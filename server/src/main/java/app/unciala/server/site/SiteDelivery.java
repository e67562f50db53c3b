package app.unciala.server.site;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.pack.Browsers;
import app.unciala.core.pack.FileNames;
import app.unciala.core.pack.OutputShape;
import app.unciala.core.pack.PackRequest.Checklist;
import app.unciala.core.pack.Placement;
import app.unciala.core.pack.SiteCharacters;
import app.unciala.font.FontFormat;
import app.unciala.server.fault.Fault;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What a site's fonts are cut to, and how its host takes and names files.
 *
 * @param languages tags such as {@code pl}; without any, fonts are delivered whole
 * @param words the site's own words and signs, which are kept when fonts are cut
 * @param budget how many bytes of fonts a page may have
 * @param prefix what stands before each family name
 * @param before what the host needs done by hand before the upload, a thing a line
 * @param after what is undone after it, a thing a line
 * @param standIns whether system faces with matched metrics stand in until a font is there
 * @param formats what the host takes, the one to be tried first first; where there are none, {@code browsers} decides
 * @param overrides rules of one's own at the end of a pack's style sheet, such as those that beat a theme's
 */
public record SiteDelivery(
        @Size(max = 60, message = "A site has at most 60 languages.")
        List<@NotNull @Size(max = 40) String> languages,

        @Size(max = 20_000, message = "The words of a site have at most 20,000 characters.")
        String words,

        Browsers browsers,

        @Schema(types = {"integer", "null"}) @Positive(message = "A budget is a number of bytes.") @Nullable
        Long budget,

        @Size(max = 60, message = "A prefix has at most 60 characters.")
        String prefix,

        boolean standIns,
        Placement.Kind kind,

        @Size(max = 300, message = "A folder has at most 300 characters.")
        String folder,

        @Size(max = 1000, message = "A base address has at most 1,000 characters.")
        String base,

        @Size(max = 1000, message = "An expression has at most 1,000 characters.")
        String expression,

        @Size(max = 400, message = "A site has at most 400 addresses of files.")
        Map<@NotNull @Size(max = 300) String, @NotNull @Size(max = 2000) String> urls,

        FileNames.Rule names,
        boolean digest,
        OutputShape shape,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 4000, message = "What is done before has at most 4,000 characters.")
        String before,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 4000, message = "What is done after has at most 4,000 characters.")
        String after,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) @Size(max = 6, message = "There are six formats.")
        List<@NotNull(message = "A format is one of WOFF2, WOFF, TTF, OTF, EOT, SVG.") FontFormat> formats,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 20_000, message = "Rules of one’s own have at most 20,000 characters.")
        String overrides) {
    public SiteDelivery {
        languages = languages == null ? List.of() : List.copyOf(languages);
        words = Objects.requireNonNullElse(words, "");
        browsers = Objects.requireNonNullElse(browsers, Browsers.MODERN);
        prefix = Objects.requireNonNullElse(prefix, "");
        kind = Objects.requireNonNullElse(kind, Placement.Kind.FOLDER);
        folder = Objects.requireNonNullElse(folder, "fonts");
        base = Objects.requireNonNullElse(base, "");
        expression = Objects.requireNonNullElse(expression, "");
        urls = urls == null ? Map.of() : new LinkedHashMap<>(urls);
        names = Objects.requireNonNullElse(names, FileNames.Rule.HYPHENS);
        before = Objects.requireNonNullElse(before, "");
        after = Objects.requireNonNullElse(after, "");
        shape = Objects.requireNonNullElse(shape, OutputShape.STYLE_SHEET);
        formats = formats == null
                ? List.of()
                : formats.stream().filter(Objects::nonNull).distinct().toList();
        overrides = Objects.requireNonNullElse(overrides, "");
    }

    /** Whole fonts in a folder beside the style sheet. */
    public static SiteDelivery usual() {
        Placement beside = Placement.beside();
        return new SiteDelivery(
                List.of(),
                "",
                Browsers.MODERN,
                null,
                "",
                false,
                beside.kind(),
                beside.folder(),
                "",
                "",
                Map.of(),
                beside.names().rule(),
                beside.names().digest(),
                OutputShape.STYLE_SHEET,
                "",
                "",
                List.of(),
                "");
    }

    /** The formats that are made, the one to be tried first first. */
    public List<FontFormat> wantedFormats() {
        return formats.isEmpty() ? browsers.formats() : formats;
    }

    /** All of it that packs are made by, in a text that is equal for equal deliveries: what a page may weigh is not. */
    public String described() {
        return with(null, base, urls).toString();
    }

    /** The name that a family has in CSS where the site says none of its own. */
    String nameOf(String family) {
        return prefix.isBlank() ? family : prefix.strip() + " " + family;
    }

    public Checklist checklist() {
        return Checklist.of(before, after);
    }

    /** How the host takes and names files. */
    public Placement placement() {
        return new Placement(kind, folder, base, expression, urls, new FileNames(names, digest));
    }

    /** Whether fonts are cut. */
    public boolean cuts() {
        return !languages.isEmpty();
    }

    SiteDelivery checked() {
        try {
            SiteCharacters.of(languages, "");
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("delivery.languages", e.getMessage() + ".");
        }
        if (formats.contains(FontFormat.COLLECTION)) {
            throw Fault.invalid("delivery.formats", "A collection isn’t a format for the web.");
        }
        StyleSheet own = StyleSheet.read(overrides);
        if (!own.problems().isEmpty()) {
            throw Fault.invalid(
                    "delivery.overrides",
                    "Line " + own.place(own.problems().get(0).at()).line() + " of the overrides: "
                            + own.problems().get(0).message());
        }
        try {
            return placed(placement().normalized());
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("delivery." + kindField(), String.valueOf(e.getMessage()));
        }
    }

    private SiteDelivery placed(Placement where) {
        return with(budget, where.base(), where.urls());
    }

    private SiteDelivery with(@Nullable Long newBudget, String newBase, Map<String, String> newUrls) {
        return new SiteDelivery(
                languages,
                words,
                browsers,
                newBudget,
                prefix,
                standIns,
                kind,
                folder,
                newBase,
                expression,
                newUrls,
                names,
                digest,
                shape,
                before,
                after,
                formats,
                overrides);
    }

    private String kindField() {
        return switch (kind) {
            case FOLDER, FLAT, INLINE -> "folder";
            case BASE_URL -> "base";
            case EXPRESSION -> "expression";
            case URL_PER_FILE -> "urls";
        };
    }
}
