package app.unciala.server.search;

import app.unciala.core.sentence.Sentences;
import app.unciala.server.family.FamilyService.CoveredBy;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.SiteName;
import app.unciala.server.inventory.Parts;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Says in a line of a family what is held, under which license, where it is used, and where it may not be. */
@Component
class FamilyUses {
    private static final int MOST_NAMED = 3;

    private final JdbcClient database;

    FamilyUses(JdbcClient database) {
        this.database = database;
    }

    /** The lines of families by their ids. */
    Map<String, String> of(Collection<Family> families) {
        Map<String, List<String>> refusedOn =
                refused(families.stream().map(Family::id).toList());
        Map<String, String> lines = new HashMap<>();
        for (Family family : families) {
            List<String> parts = new ArrayList<>();
            parts.add(Sentences.count(family.files().size(), "file", "files"));
            parts.add(
                    family.licenses().isEmpty()
                            ? "no license"
                            : "licensed by "
                                    + named(family.licenses().stream()
                                            .map(CoveredBy::name)
                                            .toList()));
            if (!family.sites().isEmpty()) {
                parts.add("used on "
                        + named(family.sites().stream().map(SiteName::name).toList()));
            }
            List<String> refused = refusedOn.getOrDefault(family.id(), List.of());
            if (!refused.isEmpty()) {
                parts.add("not allowed on " + named(refused));
            }
            lines.put(family.id(), String.join("; ", parts));
        }
        return lines;
    }

    /** The sites on which a flag says that a family may not be used, by family. */
    private Map<String, List<String>> refused(Collection<String> familyIds) {
        Map<String, List<String>> sites = new HashMap<>();
        Parts.of(familyIds, ids -> database.sql("select distinct ff.family_id, s.name from flag_family ff"
                        + " join flag f on f.id = ff.flag_id join site s on s.id = f.site_id"
                        + " where ff.family_id in (:ids) and f.gone is null and f.flag_group = 'UNLICENSED'"
                        + " and f.kind not in ('NOT_STATED', 'LICENSE_ENDING', 'NO_PROOF') order by s.name")
                .param("ids", ids)
                .query((row, number) -> sites.computeIfAbsent(row.getString(1), id -> new ArrayList<>())
                        .add(row.getString(2)))
                .list());
        return sites;
    }

    private static String named(List<String> names) {
        List<String> first = new ArrayList<>(names.subList(0, Math.min(MOST_NAMED, names.size())));
        if (names.size() > MOST_NAMED) {
            first.add((names.size() - MOST_NAMED) + " more");
        }
        return Sentences.listed(first);
    }
}
