package app.unciala.server.search;

import app.unciala.core.face.FaceReport;
import app.unciala.core.font.FontException;
import app.unciala.core.font.FontReader;
import app.unciala.server.family.FamilyService;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Texts;
import app.unciala.server.storage.FileStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Finds families, files, sites and licenses by words, or by a file: “do we hold this?” */
@Service
public class SearchService {
    private static final int MOST = 10;
    private static final int LONGEST = 200;

    private final FamilyService families;
    private final JdbcClient database;

    SearchService(FamilyService families, JdbcClient database) {
        this.families = families;
        this.database = database;
    }

    public enum HitType {
        FAMILY,
        FILE,
        SITE,
        LICENSE
    }

    /** One thing found; {@code id} is that of the place to open, {@code detail} says why it was found. */
    public record Hit(HitType type, String id, String name, String detail) {}

    /** At most ten of each kind. */
    @Transactional(readOnly = true)
    public List<Hit> find(String text) {
        String words = Texts.cut(text.strip(), LONGEST).toLowerCase(Locale.ROOT);
        List<Hit> hits = new ArrayList<>();
        if (words.isEmpty()) {
            return hits;
        }
        String like = "%" + escaped(words) + "%";
        String key = Texts.familyKey(words);
        // Signs alone leave nothing of a name to look for.
        hits.addAll(database.sql("select f.id, f.name, (select count(*) from face_file x where x.family_id = f.id"
                        + " and x.deleted_at is null) from family f where f.deleted_at is null"
                        + " and f.name_key like :like escape '!' order by length(f.name), f.name_key"
                        + " fetch first " + MOST + " rows only")
                .param("like", key.isEmpty() ? "" : "%" + escaped(key) + "%")
                .query((row, number) ->
                        new Hit(HitType.FAMILY, row.getString(1), row.getString(2), row.getInt(3) + " files"))
                .list());
        hits.addAll(database.sql("select x.family_id, x.file_name, f.name from face_file x join family f"
                        + " on f.id = x.family_id where x.deleted_at is null"
                        + " and (lower(x.file_name) like :like escape '!' or x.sha256 like :digest escape '!')"
                        + " fetch first " + MOST + " rows only")
                .param("like", like)
                .param("digest", escaped(words) + "%")
                .query((row, number) -> new Hit(
                        HitType.FILE, row.getString(1), Texts.baseName(row.getString(2)), "in " + row.getString(3)))
                .list());
        hits.addAll(database.sql("select s.id, s.name, c.name from site s join client c on c.id = s.client_id"
                        + " where s.deleted_at is null and s.search_text like :like escape '!' order by s.name"
                        + " fetch first " + MOST + " rows only")
                .param("like", like)
                .query((row, number) ->
                        new Hit(HitType.SITE, row.getString(1), row.getString(2), "for " + row.getString(3)))
                .list());
        hits.addAll(database.sql("select id, name from license where deleted_at is null"
                        + " and search_text like :like escape '!' order by name fetch first " + MOST + " rows only")
                .param("like", like)
                .query((row, number) -> new Hit(HitType.LICENSE, row.getString(1), row.getString(2), "license"))
                .list());
        return hits;
    }

    /** The families that hold a file's drawing, in whatever format and under whatever name. */
    @Transactional(readOnly = true)
    public List<Hit> findFile(String name, byte[] bytes) {
        String sha256 = FileStore.sha256(bytes);
        FaceReport report;
        try {
            report = FaceReport.of(FontReader.read(bytes).faces().get(0));
        } catch (FontException e) {
            throw Fault.invalid("file", "“" + name + "” cannot be read: " + e.getMessage() + ".");
        }
        boolean sameBytes = !families.withBytes(sha256).isEmpty();
        return families.withDrawing(report.drawing()).stream()
                .map(family -> new Hit(
                        HitType.FAMILY,
                        family.id(),
                        family.name(),
                        sameBytes ? "holds these very bytes" : "holds the same drawing in another file"))
                .toList();
    }

    private static String escaped(String words) {
        return words.replace("!", "!!").replace("%", "!%").replace("_", "!_");
    }
}
