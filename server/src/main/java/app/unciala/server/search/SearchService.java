package app.unciala.server.search;

import app.unciala.core.search.NameIndex.Found;
import app.unciala.core.search.NameIndex.Nearness;
import app.unciala.font.FontException;
import app.unciala.font.drawing.Sketch;
import app.unciala.font.drawing.SketchIndex.Near;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.family.HeldNames;
import app.unciala.server.family.HeldSketches;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Texts;
import app.unciala.server.limit.BoundedWork;
import app.unciala.server.limit.Work;
import app.unciala.server.storage.FileStore;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Finds families, faces, files, clients, sites and licenses by words, or by a file: “do we hold this?” */
@Service
public class SearchService {
    private static final int MOST = 10;
    private static final int MOST_NEAR = 5;
    private static final int LONGEST = 200;
    /** What is less alike by its sketch is another design. */
    private static final double ALIKE = 0.75;

    private final FamilyService families;
    private final HeldNames names;
    private final HeldSketches sketches;
    private final FamilyUses uses;
    private final MayUse mayUse;
    private final JdbcClient database;
    private final BoundedWork work;

    SearchService(
            FamilyService families,
            HeldNames names,
            HeldSketches sketches,
            FamilyUses uses,
            MayUse mayUse,
            JdbcClient database,
            BoundedWork work) {
        this.work = work;
        this.families = families;
        this.names = names;
        this.sketches = sketches;
        this.uses = uses;
        this.mayUse = mayUse;
        this.database = database;
    }

    public enum HitType {
        /** Whether a family may be used at a place. */
        VERDICT,
        FAMILY,
        FILE,
        SITE,
        LICENSE
    }

    /**
     * One thing found; {@code id} is that of the place to open, {@code face} the key of the slot that was asked for or
     * empty, {@code detail} says why it was found and what is known of it.
     */
    public record Hit(HitType type, String id, String name, String face, String detail) {}

    /** What was found; {@code held} says whether a family is meant by it, and not only resembles it. */
    public record Answer(boolean held, List<Hit> hits) {}

    /** At most ten of each kind. */
    @Transactional(readOnly = true)
    public Answer find(String text) {
        String words = Texts.cut(text.strip(), LONGEST).toLowerCase(Locale.ROOT);
        if (words.isEmpty()) {
            return new Answer(false, List.of());
        }
        List<Found> found = names.current().find(Texts.cut(text.strip(), LONGEST), MOST);
        List<Hit> verdicts = mayUse.verdicts(text);
        List<Hit> hits = new ArrayList<>(verdicts);
        hits.addAll(familyHits(found));
        String like = "%" + escaped(words) + "%";
        hits.addAll(database.sql("select x.family_id, x.file_name, f.name from face_file x join family f"
                        + " on f.id = x.family_id where x.deleted_at is null"
                        + " and (lower(x.file_name) like :like escape '!' or x.sha256 like :digest escape '!')"
                        + " fetch first " + MOST + " rows only")
                .param("like", like)
                .param("digest", escaped(words) + "%")
                .query((row, number) -> new Hit(
                        HitType.FILE, row.getString(1), Texts.baseName(row.getString(2)), "", "in " + row.getString(3)))
                .list());
        hits.addAll(database.sql("select s.id, s.name, c.name from site s join client c on c.id = s.client_id"
                        + " where s.deleted_at is null and (s.search_text like :like escape '!'"
                        + " or lower(c.name) like :like escape '!') order by s.name"
                        + " fetch first " + MOST + " rows only")
                .param("like", like)
                .query((row, number) ->
                        new Hit(HitType.SITE, row.getString(1), row.getString(2), "", "for " + row.getString(3)))
                .list());
        hits.addAll(database.sql("select id, name from license where deleted_at is null"
                        + " and search_text like :like escape '!' order by name fetch first " + MOST + " rows only")
                .param("like", like)
                .query((row, number) -> new Hit(HitType.LICENSE, row.getString(1), row.getString(2), "", "license"))
                .list());
        boolean held = !verdicts.isEmpty() || found.stream().anyMatch(one -> one.nearness() != Nearness.RESEMBLES);
        return new Answer(held, hits);
    }

    private static Hit familyHit(Family family, Optional<Slot> face, String said) {
        return new Hit(
                HitType.FAMILY,
                family.id(),
                face.map(slot -> family.name() + " " + slot.label()).orElse(family.name()),
                face.map(Slot::key).orElse(""),
                said);
    }

    private List<Hit> familyHits(List<Found> found) {
        Map<String, Family> byId = byId(found.stream().map(Found::familyId).toList());
        Map<String, String> said = uses.of(byId.values());
        return found.stream()
                .flatMap(one -> Stream.ofNullable(byId.get(one.familyId()))
                        .map(family -> familyHit(family, one.slot(), said.getOrDefault(family.id(), ""))))
                .toList();
    }

    private Map<String, Family> byId(List<String> ids) {
        return families.withIds(ids).stream()
                .collect(Collectors.toMap(Family::id, family -> family, (one, same) -> one, LinkedHashMap::new));
    }

    /** Where a file is held, in whatever format and under whatever name; or the held faces that are drawn most like it. */
    public Answer findFile(String name, byte[] bytes) {
        String sha256 = FileStore.sha256(bytes);
        FirstFace asked = work.of(Work.FONT, () -> firstFace(name, bytes));
        List<Hit> same = families.withDrawing(asked.drawing()).stream()
                .map(family -> hit(family, asked.drawing(), sha256))
                .toList();
        return same.isEmpty() ? new Answer(false, nearest(asked.sketch())) : new Answer(true, same);
    }

    /** The first face of a file, as held faces are compared with it. */
    private record FirstFace(String drawing, Sketch sketch) {}

    private static FirstFace firstFace(String name, byte[] bytes) {
        try {
            Sfnt face = FontReader.read(bytes).faces().get(0);
            return new FirstFace(FaceReport.of(face).drawing(), Sketch.of(face));
        } catch (FontException e) {
            throw Fault.invalid("file", "Couldn’t read “" + name + "”: " + e.getMessage() + ".");
        }
    }

    private static Hit hit(Family family, String drawing, String sha256) {
        List<File> drawn = family.files().stream()
                .filter(file -> file.drawing().equals(drawing))
                .toList();
        boolean sameBytes = drawn.stream().anyMatch(file -> file.sha256().equals(sha256));
        return new Hit(
                HitType.FAMILY,
                family.id(),
                family.name() + " " + drawn.get(0).slot().label(),
                drawn.get(0).slot().key(),
                sameBytes ? "the same file" : "the same outlines in another file");
    }

    private List<Hit> nearest(Sketch sketch) {
        List<Near<String>> near = sketches.nearest(sketch, ALIKE, MOST_NEAR);
        Map<String, Double> alike =
                near.stream().collect(Collectors.toMap(Near::key, Near::alike, (one, same) -> one, LinkedHashMap::new));
        Map<String, Family> owners = families.ofFiles(alike.keySet());
        List<Hit> hits = new ArrayList<>();
        alike.forEach((fileId, likeness) -> Optional.ofNullable(owners.get(fileId))
                .flatMap(family -> family.files().stream()
                        .filter(file -> file.id().equals(fileId))
                        .findFirst()
                        .map(file -> new Hit(
                                HitType.FAMILY,
                                family.id(),
                                family.name() + " " + file.slot().label(),
                                file.slot().key(),
                                Math.round(100 * likeness) + "% similar")))
                .ifPresent(hits::add));
        return hits;
    }

    private static String escaped(String words) {
        return words.replace("!", "!!").replace("%", "!%").replace("_", "!_");
    }
}
