package app.unciala.server.flag;

import app.unciala.core.flag.FlagGroup;
import app.unciala.server.flag.FlagService.AskedRow;
import app.unciala.server.flag.FlagService.FlagView;
import app.unciala.server.http.Page;
import app.unciala.server.http.Problem;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class FlagController {
    private final FlagService flags;

    FlagController(FlagService flags) {
        this.flags = flags;
    }

    @GetMapping("/api/flags")
    Page<FlagView> list(
            @RequestParam(required = false) @Nullable String group,
            @RequestParam(required = false) @Nullable String site,
            @RequestParam(required = false) @Nullable String family,
            @RequestParam(required = false) @Nullable String license,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "500") int limit) {
        Optional<FlagGroup> inGroup = given(group).map(FlagController::parse);
        Predicate<FlagView> wanted =
                flag -> inGroup.map(wantedGroup -> wantedGroup == flag.group()).orElse(true)
                        && given(site).map(flag.siteId()::equals).orElse(true)
                        && given(family).map(flag.familyId()::equals).orElse(true)
                        && given(license).map(flag.licenseId()::equals).orElse(true);
        return Page.of(flags.flags().stream().filter(wanted).toList(), FlagView::id, cursor, limit);
    }

    @GetMapping("/api/sites/{id}/comparison")
    List<AskedRow> comparison(@PathVariable String id) {
        return flags.comparison(id);
    }

    /** A filter that is left out or left empty asks for nothing. */
    private static Optional<String> given(@Nullable String filter) {
        return Optional.ofNullable(filter).filter(text -> !text.isBlank());
    }

    private static FlagGroup parse(String group) {
        return Arrays.stream(FlagGroup.values())
                .filter(value -> value.name().equalsIgnoreCase(group))
                .findFirst()
                .orElseThrow(
                        () -> Problem.invalid("“" + group + "” is no group; try unlicensed, missing or duplicate."));
    }
}
