package app.unciala.server.family;

import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.face.FontVersion;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.Parts;
import app.unciala.server.inventory.Texts;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is held more than once, each group with what to keep and why, and retiring the rest. */
@Service
public class Duplicates implements Reverser {
    private static final int MOST = 200;
    private static final String SETTLED = "duplicates settled";

    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final FamilyService service;
    private final FamilyChanges familyChanges;
    private final LeavingFiles leaving;
    private final Links links;
    private final HistoryService history;
    private final Changes changes;
    private final EntityManager entities;
    private final JdbcClient database;
    private final Clock clock;

    Duplicates(
            FamilyRepository families,
            FaceFileRepository files,
            FamilyService service,
            FamilyChanges familyChanges,
            LeavingFiles leaving,
            Links links,
            HistoryService history,
            Changes changes,
            EntityManager entities,
            JdbcClient database,
            Clock clock) {
        this.families = families;
        this.files = files;
        this.service = service;
        this.familyChanges = familyChanges;
        this.leaving = leaving;
        this.links = links;
        this.history = history;
        this.changes = changes;
        this.entities = entities;
        this.database = database;
        this.clock = clock;
    }

    public enum Kind {
        /** One drawing in families of different names; all files of the other families are duplicates. */
        TWO_NAMES {
            @Override
            boolean repeats(FaceFileEntity file, FaceFileEntity kept) {
                return !file.familyId().equals(kept.familyId())
                        && file.drawing().equals(kept.drawing());
            }
        },
        /** Drawn nearly alike under different names, as it was found when one of them came in. */
        RENAMED_COPIES {
            @Override
            boolean repeats(FaceFileEntity file, FaceFileEntity kept) {
                return kept.id().equals(file.copyOf()) || file.id().equals(kept.copyOf());
            }
        },
        /** One drawing in one format, more than once in a family. */
        SAME_DRAWING {
            @Override
            boolean repeats(FaceFileEntity file, FaceFileEntity kept) {
                return file.familyId().equals(kept.familyId())
                        && file.drawing().equals(kept.drawing())
                        && file.format() == kept.format();
            }
        },
        /** Different drawings for one slot; further formats of the drawing that is kept are none. */
        VERSIONS {
            @Override
            boolean repeats(FaceFileEntity file, FaceFileEntity kept) {
                return file.familyId().equals(kept.familyId())
                        && file.slot().equals(kept.slot())
                        && !file.drawing().equals(kept.drawing());
            }
        };

        /** Whether a file is held for nothing once another is kept. */
        abstract boolean repeats(FaceFileEntity file, FaceFileEntity kept);
    }

    /** A file of a group, with its family. */
    public record Member(File file, String familyId, String family) {}

    /**
     * What is held more than once: {@code keep} is the id of the file that is proposed to stay, {@code because} says why,
     * {@code bytes} is how much is held for nothing.
     */
    @Schema(name = "DuplicateGroup")
    public record Group(Kind kind, List<Member> members, String keep, String because, long bytes) {}

    /** How many files were retired, and the entry of the history by which that is taken back. */
    public record Settled(int files, String historyId) {}

    /** The first 200 groups: names first, then copies, drawings and versions. */
    @Transactional(readOnly = true)
    public List<Group> list() {
        List<FaceFileEntity> twoNames = withDrawings("group by drawing having count(distinct family_id) > 1");
        List<FaceFileEntity> repeated = withDrawings("group by drawing, family_id, format having count(*) > 1");
        List<FaceFileEntity> clashing = new ArrayList<>();
        Parts.of(
                keys(
                        "family_id",
                        "group by family_id, weight_min, weight_max, width_min, width_max, slope"
                                + " having count(distinct drawing) > 1"),
                part -> clashing.addAll(files.findByFamilyIdIn(part)));
        List<FaceFileEntity> copies = copies();
        Set<String> named = links.named(Stream.concat(twoNames.stream(), copies.stream())
                .map(FaceFileEntity::familyId)
                .distinct()
                .toList());
        Stream<Group> groups = Stream.of(
                        groups(Kind.TWO_NAMES, twoNames, FaceFileEntity::drawing, named),
                        groups(
                                Kind.RENAMED_COPIES,
                                copies,
                                file -> Objects.requireNonNullElse(file.copyOf(), file.id()),
                                named),
                        groups(
                                Kind.SAME_DRAWING,
                                repeated,
                                file -> file.familyId() + file.drawing() + file.format(),
                                named),
                        groups(
                                Kind.VERSIONS,
                                clashing,
                                file -> file.familyId() + file.slot().key(),
                                named))
                .flatMap(found -> found);
        return named(groups.limit(MOST).toList());
    }

    /** Files that are copies, and those that they are copies of, in other families and other drawings. */
    private List<FaceFileEntity> copies() {
        List<String> ids = new ArrayList<>();
        database.sql("select f.id, o.id from face_file f join face_file o on o.id = f.copy_of"
                        + " where f.deleted_at is null and o.deleted_at is null and f.family_id <> o.family_id"
                        + " and f.drawing <> o.drawing and o.copy_of is null order by o.id, f.id fetch first " + MOST
                        + " rows only")
                .query((row, number) -> ids.addAll(List.of(row.getString(1), row.getString(2))))
                .list();
        List<FaceFileEntity> found = new ArrayList<>();
        Parts.of(ids.stream().distinct().toList(), part -> found.addAll(files.findAllById(part)));
        return found;
    }

    private List<FaceFileEntity> withDrawings(String grouped) {
        List<FaceFileEntity> found = new ArrayList<>();
        Parts.of(keys("drawing", grouped), part -> found.addAll(files.findByDrawingIn(part)));
        return found;
    }

    private List<String> keys(String column, String grouped) {
        return database.sql("select distinct " + column + " from (select " + column
                        + " from face_file where deleted_at is null " + grouped + ") order by 1 fetch first " + MOST
                        + " rows only")
                .query(String.class)
                .list();
    }

    /** The files that have a key in common and of which some repeat another, oldest first. */
    private static Stream<Group> groups(
            Kind kind, List<FaceFileEntity> found, Function<FaceFileEntity, String> key, Set<String> named) {
        return found.stream()
                .sorted(FaceFileEntity.BY_AGE)
                .collect(Collectors.groupingBy(key, LinkedHashMap::new, Collectors.toList()))
                .values()
                .stream()
                .filter(members ->
                        members.stream().anyMatch(file -> file != members.get(0) && kind.repeats(file, members.get(0))))
                .map(members -> group(kind, members, named));
    }

    private static Group group(Kind kind, List<FaceFileEntity> members, Set<String> named) {
        Comparator<FaceFileEntity> first = FaceFileEntity.BY_AGE.reversed();
        Comparator<FaceFileEntity> better =
                switch (kind) {
                    case SAME_DRAWING -> first;
                    case TWO_NAMES, RENAMED_COPIES ->
                        Comparator.comparing((FaceFileEntity file) -> named.contains(file.familyId()))
                                .thenComparing(first);
                    case VERSIONS ->
                        Comparator.comparing(FaceFileEntity::fontVersion, FontVersion::compare)
                                .thenComparing(FaceFileEntity::codePoints)
                                .thenComparing(first);
                };
        FaceFileEntity keep = members.stream().max(better).orElseThrow();
        return new Group(
                kind,
                members.stream()
                        .map(file -> new Member(file.toRecord(), file.familyId(), ""))
                        .toList(),
                keep.id(),
                because(kind, keep, members, named),
                members.stream()
                        .filter(file ->
                                kind.repeats(file, keep) && !file.sha256().equals(keep.sha256()))
                        .mapToLong(FaceFileEntity::bytes)
                        .sum());
    }

    private static String because(Kind kind, FaceFileEntity keep, List<FaceFileEntity> members, Set<String> named) {
        if ((kind == Kind.TWO_NAMES || kind == Kind.RENAMED_COPIES) && named.contains(keep.familyId())) {
            return "a site, a license or a pack names its family";
        }
        boolean newest =
                members.stream().anyMatch(other -> FontVersion.compare(keep.fontVersion(), other.fontVersion()) > 0);
        boolean largest = members.stream().anyMatch(other -> keep.codePoints() > other.codePoints());
        if (kind == Kind.VERSIONS && (newest || largest)) {
            return newest
                    ? "it is the newest, version " + FontVersion.figure(keep.fontVersion())
                    : "it has the most characters, " + keep.codePoints();
        }
        return "it came first";
    }

    private List<Group> named(List<Group> groups) {
        Map<String, String> names = links.familyNames(groups.stream()
                .flatMap(group -> group.members().stream().map(Member::familyId))
                .distinct()
                .toList());
        return groups.stream()
                .map(group -> new Group(
                        group.kind(),
                        group.members().stream()
                                .map(member -> new Member(
                                        member.file(), member.familyId(), names.getOrDefault(member.familyId(), "")))
                                .toList(),
                        group.keep(),
                        group.because(),
                        group.bytes()))
                .toList();
    }

    /**
     * Keeps one file of a group and retires those that repeat it: they are held no more, but kept as superseded by it. The
     * last file of a face that a site asks for stays.
     *
     * @param memberIds all files of the group, or those of them that may go
     */
    @Transactional
    public Settled settle(Kind kind, String keepId, List<String> memberIds) {
        changes.begin();
        FaceFileEntity keep = find(keepId);
        List<FaceFileEntity> retired = memberIds.stream()
                .distinct()
                .map(this::find)
                .filter(file -> !file.id().equals(keepId) && kind.repeats(file, keep))
                .toList();
        if (retired.isEmpty()) {
            throw Fault.invalid("members", "None of these files repeats " + Texts.baseName(keep.fileName()) + ".");
        }
        Map<String, List<FaceFileEntity>> held = retired.stream()
                .map(FaceFileEntity::familyId)
                .distinct()
                .collect(Collectors.toMap(id -> id, files::findByFamilyId));
        retired.forEach(file -> leaving.mustServeSites(file, held.getOrDefault(file.familyId(), List.of()), retired));
        List<HeldFile> before =
                retired.stream().map(file -> file.toSnapshot(true)).toList();
        retired.forEach(file -> file.supersede(keepId, clock.instant()));
        held.forEach((id, all) -> leaving.from(families.findById(id).orElseThrow(), retired.containsAll(all)));
        entities.flush();
        Set<String> touched = new TreeSet<>(held.keySet());
        touched.add(keep.familyId());
        familyChanges.touched(touched, before);
        String family = families.findById(keep.familyId()).orElseThrow().name();
        List<String> ids = new ArrayList<>(List.of(keep.familyId()));
        retired.forEach(file -> ids.add(file.id()));
        String entry = history.record(Deed.of(
                        "family",
                        keep.familyId(),
                        family,
                        "Kept " + Texts.baseName(keep.fileName()) + " and retired "
                                + Sentences.count(retired.size(), "duplicate", "duplicates"))
                .undoneBy(new Reversal(SETTLED, ids)));
        return new Settled(retired.size(), entry);
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(SETTLED);
    }

    @Override
    public void reverse(Reversal reversal) {
        List<String> ids = reversal.ids().subList(1, reversal.ids().size());
        List<String> owners = database.sql("select distinct family_id from face_file where id in (:ids)")
                .param("ids", ids)
                .query(String.class)
                .list();
        owners.forEach(service::restoreFamily);
        int restored = database.sql("update face_file set deleted_at = null, superseded_by = null where id in (:ids)"
                        + " and superseded_by is not null")
                .param("ids", ids)
                .update();
        if (restored < ids.size()) {
            throw Fault.conflict("Some of these files have been restored or deleted for good.");
        }
        entities.clear();
        Set<String> touched = new TreeSet<>(owners);
        touched.add(reversal.ids().get(0));
        familyChanges.touched(touched, List.of());
    }

    private FaceFileEntity find(String id) {
        return files.findById(id).orElseThrow(() -> Fault.notFound("file", id));
    }
}
