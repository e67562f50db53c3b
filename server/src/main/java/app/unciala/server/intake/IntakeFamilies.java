package app.unciala.server.intake;

import app.unciala.core.license.OpenLicense;
import app.unciala.font.face.Slot;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.family.FamilyService.SiteName;
import app.unciala.server.flag.FlagService.FlagView;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.inventory.Texts;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.stereotype.Component;

/** The fonts of an intake by their families: first those on which a person has to decide, then what is plain. */
@Component
class IntakeFamilies {
    private final IntakeItemRepository items;
    private final FamilyService families;

    IntakeFamilies(IntakeItemRepository items, FamilyService families) {
        this.items = items;
        this.families = families;
    }

    /** What a family of an intake asks of a person. */
    enum Standing {
        /** Something has to be decided. */
        DECIDE,
        /** It goes in as it is. */
        PLAIN,
        /** All of it is held already, or was left out. */
        NOTHING_NEW
    }

    /** A slot of a family that arrives: how many files for it, the one it is shown by, and the verdict that weighs most. */
    record Arrival(
            SlotView slot,
            String itemId,
            String sample,
            List<String> formats,
            Verdict verdict,
            boolean goesIn,
            boolean asks) {}

    /** An open license under which files came; {@code quote} are the words that say so. */
    record Open(String spdx, String title, String quote) {}

    /** An open license under which files that go in came: how many families, and the text that came along, if one did. */
    record Offer(String spdx, String title, int families, String text) {}

    /**
     * The flag that the drop is to answer: whether the file that it lacks arrives, and whether that goes in.
     *
     * @param siteId the site that lacks it, or empty
     */
    @Schema(name = "WantedFile")
    record Wanted(String flagId, String title, String siteId, String familyId, boolean arrives, boolean goesIn) {}

    /**
     * What an intake comes to: how many families stand where, its verdicts, the open licenses to record with it, and what
     * it is to answer, which is one flag or none.
     */
    record Overview(
            int decide,
            int plain,
            int nothingNew,
            List<VerdictCount> verdicts,
            List<Offer> openLicenses,
            List<Wanted> wanted) {}

    /** The fonts of one family in an intake, with what is held of it. */
    record Group(
            String key,
            String name,
            Standing standing,
            int files,
            int goingIn,
            int undecided,
            List<VerdictCount> verdicts,
            List<Arrival> arrivals,
            List<File> held,

            @Schema(types = {"string", "null"}) @Nullable String heldId,

            List<SiteName> sites,
            String foundry,
            String classification,
            String classificationBecause,
            List<Open> openLicenses,
            List<String> warnings) {}

    /** One file as the grouping needs it. */
    record Row(String key, String openLicense, Verdict verdict, boolean goesIn, boolean decided) {
        Row(String key, String openLicense, String verdict, boolean goesIn, boolean decided) {
            this(key, openLicense, Verdict.valueOf(verdict), goesIn, decided);
        }
    }

    /** The families of an intake page by page. */
    Page<Group> page(String intakeId, @Nullable String cursor, int limit) {
        Map<String, List<Row>> byFamily = items.rows(intakeId).stream()
                .collect(Collectors.groupingBy(Row::key, LinkedHashMap::new, Collectors.toList()));
        KeysetScrollPosition after = Cursor.read(cursor, Map.of("standing", 0, "key", ""));
        List<Place> places = byFamily.entrySet().stream()
                .map(entry -> new Place(standing(entry.getValue()).ordinal(), entry.getKey()))
                .filter(place -> after.isInitial() || place.isAfter(after.getKeys()))
                .sorted()
                .toList();
        List<Place> page =
                places.subList(0, Math.min(places.size(), Cursor.limit(limit).max()));
        List<String> shown = page.stream().map(Place::key).toList();
        Map<String, List<IntakeItemEntity>> members =
                items.findByIntakeIdAndFamilyKeyInOrderByPosition(intakeId, shown).stream()
                        .filter(item -> item.kind() == ReadFile.Kind.FONT)
                        .collect(Collectors.groupingBy(IntakeItemEntity::familyKey));
        Map<String, Family> held = families.byKeys(shown);
        List<Group> groups = shown.stream()
                .map(key -> group(
                        key,
                        members.getOrDefault(key, List.of()),
                        byFamily.getOrDefault(key, List.of()),
                        Optional.ofNullable(held.get(key))))
                .toList();
        return new Page<>(
                groups, page.size() < places.size() ? page.get(page.size() - 1).cursor() : null);
    }

    /** Where a family stands in the list: by its standing, then by its name. */
    private record Place(int standing, String key) implements Comparable<Place> {
        boolean isAfter(Map<String, Object> keys) {
            Object otherStanding = Objects.requireNonNull(keys.get("standing"));
            Object otherKey = Objects.requireNonNull(keys.get("key"));
            return compareTo(new Place((Integer) otherStanding, (String) otherKey)) > 0;
        }

        String cursor() {
            return Cursor.after(Map.of("standing", standing, "key", key));
        }

        @Override
        public int compareTo(Place other) {
            return Comparator.comparingInt(Place::standing)
                    .thenComparing(Place::key)
                    .compare(this, other);
        }
    }

    /** {@code flag} is the flag that the drop is to answer. */
    Overview overview(String intakeId, Optional<FlagView> flag) {
        List<Row> rows = items.rows(intakeId);
        Map<Standing, Long> standings = rows.stream().collect(Collectors.groupingBy(Row::key)).values().stream()
                .collect(Collectors.groupingBy(IntakeFamilies::standing, Collectors.counting()));
        Map<String, String> texts =
                items.findByIntakeIdAndKindInOrderByPosition(intakeId, List.of(ReadFile.Kind.LICENSE_TEXT)).stream()
                        .collect(Collectors.toMap(
                                IntakeItemEntity::openLicense,
                                item -> Texts.baseName(item.path()),
                                (one, other) -> one));
        Map<String, Set<String>> offered = new TreeMap<>();
        rows.stream()
                .filter(row -> row.goesIn() && !row.openLicense().isEmpty())
                .forEach(row -> offered.computeIfAbsent(row.openLicense(), spdx -> new HashSet<>())
                        .add(row.key()));
        return new Overview(
                standings.getOrDefault(Standing.DECIDE, 0L).intValue(),
                standings.getOrDefault(Standing.PLAIN, 0L).intValue(),
                standings.getOrDefault(Standing.NOTHING_NEW, 0L).intValue(),
                verdicts(rows),
                offered.entrySet().stream()
                        .flatMap(entry -> OpenLicense.ofSpdx(entry.getKey()).stream()
                                .map(license -> new Offer(
                                        license.spdx(),
                                        license.title(),
                                        entry.getValue().size(),
                                        texts.getOrDefault(license.spdx(), ""))))
                        .toList(),
                flag.map(asked -> wanted(intakeId, asked)).stream().toList());
    }

    /** A flag about a face is answered by a file that stands for its slot, another by any file of its family. */
    private Wanted wanted(String intakeId, FlagView flag) {
        List<IntakeItemEntity> arriving = items
                .findByIntakeIdAndFamilyKeyInOrderByPosition(intakeId, List.of(Texts.familyKey(flag.familyName())))
                .stream()
                .filter(item -> item.kind() == ReadFile.Kind.FONT)
                .filter(item -> flag.slot().isEmpty() || item.slot().standsFor(Slot.ofKey(flag.slot())))
                .toList();
        return new Wanted(
                flag.id(),
                flag.title(),
                flag.siteId(),
                flag.familyId(),
                !arriving.isEmpty(),
                arriving.stream().anyMatch(IntakeItemEntity::goesIn));
    }

    private static Standing standing(List<Row> rows) {
        if (rows.stream().anyMatch(IntakeFamilies::isUndecided)) {
            return Standing.DECIDE;
        }
        return rows.stream().anyMatch(Row::goesIn) ? Standing.PLAIN : Standing.NOTHING_NEW;
    }

    private static boolean isUndecided(Row row) {
        return row.verdict().asks() && !row.decided();
    }

    private static Group group(String key, List<IntakeItemEntity> files, List<Row> rows, Optional<Family> held) {
        IntakeItemEntity first = files.get(0);
        return new Group(
                key,
                held.map(Family::name).orElse(first.family()),
                standing(rows),
                files.size(),
                (int) rows.stream().filter(Row::goesIn).count(),
                (int) rows.stream().filter(IntakeFamilies::isUndecided).count(),
                verdicts(rows),
                arrivals(files),
                held.map(Family::files).orElse(List.of()),
                held.map(Family::id).orElse(null),
                held.map(Family::sites).orElse(List.of()),
                commonest(files, IntakeItemEntity::foundry),
                commonest(files, IntakeItemEntity::classification),
                files.stream()
                        .map(item -> item.facts().classificationBecause())
                        .filter(because -> !because.isEmpty())
                        .findFirst()
                        .orElse(""),
                open(files),
                files.stream()
                        .flatMap(item -> item.facts().warnings().stream())
                        .distinct()
                        .limit(5)
                        .toList());
    }

    private static List<VerdictCount> verdicts(List<Row> rows) {
        Map<Verdict, List<Row>> counted = new EnumMap<>(Verdict.class);
        rows.forEach(row -> counted.computeIfAbsent(row.verdict(), verdict -> new ArrayList<>())
                .add(row));
        return counted.entrySet().stream()
                .map(entry -> new VerdictCount(entry.getKey(), entry.getValue().size(), (int)
                        entry.getValue().stream().filter(Row::goesIn).count()))
                .toList();
    }

    private static List<Arrival> arrivals(List<IntakeItemEntity> files) {
        Map<String, List<IntakeItemEntity>> bySlot = files.stream()
                .collect(Collectors.groupingBy(item -> item.slot().key(), LinkedHashMap::new, Collectors.toList()));
        return bySlot.values().stream().map(IntakeFamilies::arrival).toList();
    }

    private static Arrival arrival(List<IntakeItemEntity> files) {
        IntakeItemEntity shown = files.stream()
                .max(Comparator.comparing(IntakeItemEntity::asks).thenComparing(IntakeItemEntity::goesIn))
                .orElseThrow();
        return new Arrival(
                SlotView.of(shown.slot()),
                shown.id(),
                shown.facts().sample(),
                files.stream()
                        .map(item -> item.facts().format().key())
                        .distinct()
                        .toList(),
                shown.verdictOrKind(),
                files.stream().anyMatch(IntakeItemEntity::goesIn),
                files.stream().anyMatch(IntakeItemEntity::asks));
    }

    private static String commonest(Collection<IntakeItemEntity> files, Function<IntakeItemEntity, String> of) {
        return files.stream()
                .map(of)
                .filter(value -> !value.isEmpty())
                .collect(Collectors.groupingBy(Function.identity(), LinkedHashMap::new, Collectors.counting()))
                .entrySet()
                .stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse("");
    }

    private static List<Open> open(List<IntakeItemEntity> files) {
        Map<String, Open> found = new LinkedHashMap<>();
        for (IntakeItemEntity item : files) {
            OpenLicense.ofSpdx(item.openLicense())
                    .ifPresent(license -> found.merge(
                            license.spdx(),
                            new Open(
                                    license.spdx(),
                                    license.title(),
                                    item.facts().openLicenseQuote()),
                            (one, other) -> one.quote().isEmpty() ? other : one));
        }
        return List.copyOf(found.values());
    }
}
