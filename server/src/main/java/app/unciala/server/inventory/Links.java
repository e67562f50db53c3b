package app.unciala.server.inventory;

import app.unciala.core.flag.Scope;
import app.unciala.server.fault.Fault;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Which sites, licenses and packs name which families; kept in tables of their own so that it is looked up by key. */
@Component
public class Links implements Scope.Links {

    private final JdbcClient database;

    Links(JdbcClient database) {
        this.database = database;
    }

    @Override
    public Set<String> sitesAsking(Collection<String> familyIds) {
        return look(
                "select l.site_id from site_family l join site s on s.id = l.site_id"
                        + " where s.deleted_at is null and l.family_id in (:ids)",
                familyIds);
    }

    @Override
    public Set<String> sitesShowing(Collection<String> familyIds, Collection<String> drawings) {
        String query =
                "select f.site_id from shown_font f join site s on s.id = f.site_id where s.deleted_at is null and ";
        Set<String> found = look(query + "f.family_id in (:ids)", familyIds);
        found.addAll(look(
                query + "f.drawing in (select h.drawing from face_file h where h.deleted_at is null"
                        + " and h.family_id in (:ids))",
                familyIds));
        found.addAll(look(query + "f.drawing in (:ids)", drawings));
        return found;
    }

    @Override
    public Set<String> licensesCovering(Collection<String> familyIds) {
        return look(
                "select l.license_id from license_family l join license i on i.id = l.license_id"
                        + " where i.deleted_at is null and l.family_id in (:ids)",
                familyIds);
    }

    /** Whether a site, a license or a pack names a family, so that it must stay. */
    public boolean isNamed(String familyId) {
        return !named(Set.of(familyId)).isEmpty();
    }

    /** Those of the families that a site, a license or a pack names. */
    public Set<String> named(Collection<String> familyIds) {
        return look(
                "select l.family_id from site_family l join site s on s.id = l.site_id"
                        + " where s.deleted_at is null and l.family_id in (:ids)"
                        + " union select l.family_id from license_family l join license i on i.id = l.license_id"
                        + " where i.deleted_at is null and l.family_id in (:ids)"
                        + " union select family_id from pack_family where family_id in (:ids)",
                familyIds);
    }

    /** The names of families by id; those that do not exist are left out. */
    public Map<String, String> familyNames(Collection<String> familyIds) {
        Map<String, String> names = new TreeMap<>();
        Parts.of(familyIds, ids -> database.sql("select id, name from family where id in (:ids)")
                .param("ids", ids)
                .query((row, number) -> names.put(row.getString(1), row.getString(2)))
                .list());
        return names;
    }

    /** The names of clients by id; those that do not exist are left out. */
    public Map<String, String> clientNames(Collection<String> clientIds) {
        Map<String, String> names = new TreeMap<>();
        Parts.of(clientIds, ids -> database.sql("select id, name from client where id in (:ids)")
                .param("ids", ids)
                .query((row, number) -> names.put(row.getString(1), row.getString(2)))
                .list());
        return names;
    }

    /** The clients of the sites that ask for what licenses cover, by license; a client once for each of its sites. */
    public Map<String, List<String>> clientsOn(Collection<String> licenseIds) {
        Map<String, List<String>> clients = new TreeMap<>();
        Parts.of(licenseIds, ids -> database.sql("select distinct l.license_id, s.client_id, s.id from license_family l"
                        + " join site_family f on f.family_id = l.family_id"
                        + " join site s on s.id = f.site_id and s.deleted_at is null"
                        + " where l.license_id in (:ids) order by s.client_id, s.id")
                .param("ids", ids)
                .query((row, number) -> clients.computeIfAbsent(row.getString(1), id -> new ArrayList<>())
                        .add(row.getString(2)))
                .list());
        return clients;
    }

    public boolean isDeletedClient(String clientId) {
        return look("select id from client where deleted_at is null and id in (:ids)", Set.of(clientId))
                .isEmpty();
    }

    /** The client of a name, however its letters are written. */
    public Optional<String> clientNamed(String name) {
        return first("select id from client where deleted_at is null and lower(name) = lower(:name)", name);
    }

    /** The family of a name, as names of families compare equal ({@link Texts#familyKey}). */
    public Optional<String> familyNamed(String name) {
        return first("select id from family where deleted_at is null and name_key = :name", Texts.familyKey(name));
    }

    /** The names of the licenses that a client holds. */
    public Set<String> licensesHeldBy(String clientId) {
        return look("select name from license where deleted_at is null and holder_id in (:ids)", Set.of(clientId));
    }

    /** What a change of a client touches: the licenses that it holds, as others say by whom they are held. */
    public Scope scopeOfHolder(String clientId) {
        return look("select id from license where deleted_at is null and holder_id in (:ids)", Set.of(clientId))
                .stream()
                .map(license -> Scope.ofLicense(
                        license,
                        look("select family_id from license_family where license_id in (:ids)", Set.of(license)),
                        this))
                .reduce(Scope.NOTHING, Scope::and);
    }

    /** The licenses with a limit on page views that cover any of the families, each with all families it covers. */
    public Map<String, Set<String>> limitedLicenses(Collection<String> familyIds) {
        Map<String, Set<String>> families = new TreeMap<>();
        Parts.of(
                look(
                        "select l.license_id from license_family l join license i on i.id = l.license_id"
                                + " where i.deleted_at is null and i.page_view_limit is not null"
                                + " and l.family_id in (:ids)",
                        familyIds),
                ids -> database.sql("select license_id, family_id from license_family where license_id in (:ids)")
                        .param("ids", ids)
                        .query((row, number) -> families.computeIfAbsent(row.getString(1), id -> new TreeSet<>())
                                .add(row.getString(2)))
                        .list());
        return families;
    }

    /**
     * What a change of a site touches: itself, and the licenses with a limit on page views that its families are covered
     * by, as its readings count there.
     */
    public Scope scopeOfSite(String siteId, Set<String> familyIds) {
        return limitedLicenses(familyIds).entrySet().stream()
                .map(license -> Scope.ofLicense(license.getKey(), license.getValue(), this))
                .reduce(Scope.ofSite(siteId, familyIds), Scope::and);
    }

    public void ofSite(String siteId, Collection<String> familyIds) {
        write("site_family", "site_id", siteId, familyIds);
    }

    public void ofLicense(String licenseId, Collection<String> familyIds) {
        write("license_family", "license_id", licenseId, familyIds);
    }

    public void ofPack(String packId, Collection<String> familyIds) {
        write("pack_family", "pack_id", packId, familyIds);
    }

    /** Refuses ids of families that do not exist. {@code field} is the field that names them. */
    public void mustExist(String field, Collection<String> familyIds) {
        Set<String> unknown = new LinkedHashSet<>(familyIds);
        unknown.removeAll(look("select id from family where deleted_at is null and id in (:ids)", familyIds));
        if (!unknown.isEmpty()) {
            throw Fault.invalid(
                    field, "There is no family “" + unknown.iterator().next() + "”.");
        }
    }

    /** Refuses the id of a client that does not exist. {@code field} is the field that names it. */
    public void clientMustExist(String field, String clientId) {
        if (isDeletedClient(clientId)) {
            throw Fault.invalid(field, "There is no client “" + clientId + "”.");
        }
    }

    private Optional<String> first(String query, String name) {
        return database.sql(query + " order by id").param("name", name.strip()).query(String.class).list().stream()
                .findFirst();
    }

    /** The ids of a query with one list of ids, however long that is. */
    private Set<String> look(String query, Collection<String> ids) {
        Set<String> found = new TreeSet<>();
        Parts.of(
                ids,
                part -> found.addAll(database.sql(query)
                        .param("ids", part)
                        .query(String.class)
                        .list()));
        return found;
    }

    private void write(String table, String column, String id, Collection<String> familyIds) {
        database.sql("delete from " + table + " where " + column + " = :id")
                .param("id", id)
                .update();
        for (String familyId : new LinkedHashSet<>(familyIds)) {
            database.sql("insert into " + table + " values (:id, :family)")
                    .param("id", id)
                    .param("family", familyId)
                    .update();
        }
    }
}
