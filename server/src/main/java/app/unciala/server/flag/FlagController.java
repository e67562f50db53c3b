package app.unciala.server.flag;

import app.unciala.core.flag.Flag.Severity;
import app.unciala.core.flag.FlagGroup;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.FlagDecisions.Chosen;
import app.unciala.server.flag.FlagDecisions.Story;
import app.unciala.server.flag.FlagService.By;
import app.unciala.server.flag.FlagService.Count;
import app.unciala.server.flag.FlagService.Filter;
import app.unciala.server.flag.FlagService.FlagView;
import app.unciala.server.flag.FlagService.Gathered;
import app.unciala.server.flag.FlagService.State;
import app.unciala.server.listing.Page;
import app.unciala.server.site.SiteService;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Flags one by one, gathered and counted, and what people decide about them. */
@RestController
class FlagController {
    private final FlagService flags;
    private final FlagDecisions decisions;
    private final Comparisons comparisons;
    private final SiteService sites;

    FlagController(FlagService flags, FlagDecisions decisions, Comparisons comparisons, SiteService sites) {
        this.flags = flags;
        this.decisions = decisions;
        this.comparisons = comparisons;
        this.sites = sites;
    }

    /** Of the flags of a cause, those that a screen shows; what is left out is not asked for. */
    record Within(
            @Schema(types = {"string", "null"}) @Nullable String state,

            @Schema(types = {"string", "null"}) @Nullable String group,

            @Schema(types = {"string", "null"}) @Nullable String severity,

            @Schema(types = {"array", "null"}) @Size(max = 200, message = "At most 200 sites are named.") @Nullable
            List<@NotNull(message = "A site is named by its id.") String> site,

            @Schema(types = {"array", "null"}) @Size(max = 200, message = "At most 200 families are named.") @Nullable
            List<@NotNull(message = "A family is named by its id.") String> family,

            @Schema(types = {"array", "null"}) @Size(max = 200, message = "At most 200 licenses are named.") @Nullable
            List<@NotNull(message = "A license is named by its id.") String> license,

            @Schema(types = {"string", "null"}) @Nullable String person) {}

    record Acceptance(
            @Size(max = 5000, message = "At most 5,000 flags are accepted at once.")
            @Schema(types = {"array", "null"})
            @Nullable
            List<@NotNull(message = "A flag is named by its id.") String> ids,

            @Schema(types = {"string", "null"}) @Nullable String cause,

            @Valid @Schema(types = {"object", "null"}) @Nullable
            Within within,

            @NotNull(message = "Until which day is it accepted?")
            LocalDate until,

            @NotBlank(message = "Say why it is accepted, in 1 to 2,000 characters.")
            @Size(max = 2000, message = "Say why it is accepted, in 1 to 2,000 characters.")
            String reason) {}

    record Selection(
            @Size(max = 5000, message = "At most 5,000 flags are chosen at once.")
            @Schema(types = {"array", "null"})
            @Nullable
            List<@NotNull(message = "A flag is named by its id.") String> ids,

            @Schema(types = {"string", "null"}) @Nullable String cause,

            @Valid @Schema(types = {"object", "null"}) @Nullable
            Within within) {}

    record Assignment(
            @Size(max = 5000, message = "At most 5,000 flags are assigned at once.")
            @Schema(types = {"array", "null"})
            @Nullable
            List<@NotNull(message = "A flag is named by its id.") String> ids,

            @Schema(types = {"string", "null"}) @Nullable String cause,

            @Valid @Schema(types = {"object", "null"}) @Nullable
            Within within,

            @Size(max = 80, message = "A name has at most 80 characters.") @Schema(types = {"string", "null"}) @Nullable
            String name) {}

    record NewComment(
            @NotBlank(message = "A comment has between 1 and 2,000 characters.")
            @Size(max = 2000, message = "A comment has between 1 and 2,000 characters.")
            String text) {}

    /** How many flags a decision was about. */
    record Decided(int flags) {}

    @GetMapping("/api/flags")
    Page<FlagView> list(
            @RequestParam(required = false) @Nullable String state,
            @RequestParam(required = false) @Nullable String group,
            @RequestParam(required = false) @Nullable String severity,
            @RequestParam(required = false) @Nullable String cause,
            @RequestParam(required = false) @Nullable List<String> site,
            @RequestParam(required = false) @Nullable List<String> family,
            @RequestParam(required = false) @Nullable List<String> license,
            @RequestParam(required = false) @Nullable String person,
            @RequestParam(required = false) @Nullable String order,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "500") int limit) {
        Filter filter = filter(State.CURRENT, state, group, severity, cause, site, family, license, person);
        return flags.list(filter, "oldest".equals(order), cursor, limit);
    }

    @GetMapping("/api/flags/gathered")
    List<Gathered> gathered(
            @RequestParam(defaultValue = "CAUSE") String by,
            @RequestParam(required = false) @Nullable String state,
            @RequestParam(required = false) @Nullable String group,
            @RequestParam(required = false) @Nullable String severity,
            @RequestParam(required = false) @Nullable String cause,
            @RequestParam(required = false) @Nullable List<String> site,
            @RequestParam(required = false) @Nullable List<String> family,
            @RequestParam(required = false) @Nullable List<String> license,
            @RequestParam(required = false) @Nullable String person,
            @RequestParam(defaultValue = "100") int limit) {
        Filter filter = filter(State.OPEN, state, group, severity, cause, site, family, license, person);
        By gathering = parse(By.class, "by", by, By.CAUSE);
        return flags.gathered(gathering == null ? By.CAUSE : gathering, filter, limit);
    }

    @GetMapping("/api/flags/counts")
    List<Count> counts() {
        return flags.counts();
    }

    @GetMapping("/api/flags/{id}")
    FlagView get(@PathVariable String id) {
        return flags.get(id);
    }

    @GetMapping("/api/flags/{id}/story")
    Story story(@PathVariable String id) {
        return decisions.story(id);
    }

    @PostMapping("/api/flags/{id}/comments")
    Story comment(@PathVariable String id, @Valid @RequestBody NewComment comment) {
        decisions.comment(id, comment.text());
        return decisions.story(id);
    }

    @PostMapping("/api/flags/acceptance")
    Decided accept(@Valid @RequestBody Acceptance acceptance) {
        return new Decided(decisions.accept(
                chosen(acceptance.ids(), acceptance.cause(), acceptance.within(), State.OPEN),
                acceptance.until(),
                acceptance.reason().strip()));
    }

    @PostMapping("/api/flags/acceptance/withdrawal")
    Decided withdraw(@Valid @RequestBody Selection selection) {
        return new Decided(
                decisions.withdraw(chosen(selection.ids(), selection.cause(), selection.within(), State.ACCEPTED)));
    }

    @PostMapping("/api/flags/assignment")
    Decided assign(@Valid @RequestBody Assignment assignment) {
        return new Decided(decisions.assign(
                chosen(assignment.ids(), assignment.cause(), assignment.within(), State.OPEN), assignment.name()));
    }

    /** Compares everything now; what had to be mended was wrong before. */
    @PostMapping("/api/flags/comparison")
    Comparisons.Report compareAll() {
        return comparisons.compareAll();
    }

    @GetMapping("/api/sites/{id}/comparison")
    List<AskedRow> comparison(@PathVariable String id) {
        sites.get(id);
        return flags.comparison(id);
    }

    /** The flags named, or those of a cause within what a screen shows, in a state if the screen names none. */
    private static Chosen chosen(
            @Nullable List<String> ids, @Nullable String cause, @Nullable Within within, State otherwise) {
        if (ids != null && !ids.isEmpty()) {
            return Chosen.named(ids);
        }
        if (cause == null || cause.isBlank()) {
            throw Fault.invalid("ids", "Name the flags, or their cause.");
        }
        return Chosen.all(
                within == null
                        ? filter(otherwise, null, null, null, cause, null, null, null, null)
                        : filter(
                                otherwise,
                                within.state(),
                                within.group(),
                                within.severity(),
                                cause,
                                within.site(),
                                within.family(),
                                within.license(),
                                within.person()));
    }

    private static Filter filter(
            State otherwise,
            @Nullable String state,
            @Nullable String group,
            @Nullable String severity,
            @Nullable String cause,
            @Nullable List<String> site,
            @Nullable List<String> family,
            @Nullable List<String> license,
            @Nullable String person) {
        State stands = parse(State.class, "state", state, otherwise);
        return new Filter(
                stands == null ? otherwise : stands,
                parse(FlagGroup.class, "group", group, null),
                parse(Severity.class, "severity", severity, null),
                blankToNull(cause),
                given(site),
                given(family),
                given(license),
                blankToNull(person));
    }

    /** A filter that is left out or left empty asks for nothing. */
    private static List<String> given(@Nullable List<String> values) {
        return values == null
                ? List.of()
                : values.stream().filter(value -> !value.isBlank()).toList();
    }

    private static @Nullable String blankToNull(@Nullable String text) {
        return text == null || text.isBlank() ? null : text;
    }

    private static <E extends Enum<E>> @Nullable E parse(
            Class<E> type, String name, @Nullable String value, @Nullable E otherwise) {
        if (value == null || value.isBlank()) {
            return otherwise;
        }
        for (E constant : type.getEnumConstants()) {
            if (constant.name().equalsIgnoreCase(value.strip())) {
                return constant;
            }
        }
        throw Fault.invalid(
                name,
                "“" + value + "” is no " + name + "; try "
                        + String.join(
                                ", ",
                                Arrays.stream(type.getEnumConstants())
                                        .map(constant -> constant.name().toLowerCase(Locale.ROOT))
                                        .toList())
                        + ".");
    }
}
