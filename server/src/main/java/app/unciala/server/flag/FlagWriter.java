package app.unciala.server.flag;

import app.unciala.core.flag.Comparison;
import app.unciala.core.flag.Flag;
import app.unciala.core.flag.Owner;
import app.unciala.core.flag.Scope;
import app.unciala.core.flag.Snapshot;
import app.unciala.server.flag.SiteComparison.Asked;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Parts;
import jakarta.persistence.EntityManager;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Writes the flags of what a change touched, within the change's own transaction. */
@Component
class FlagWriter {

    private final SnapshotLoader loader;
    private final FlagRepository flags;
    private final SiteComparisonRepository comparisons;
    private final EntityManager entities;
    private final JdbcTemplate database;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    FlagWriter(
            SnapshotLoader loader,
            FlagRepository flags,
            SiteComparisonRepository comparisons,
            EntityManager entities,
            JdbcTemplate database,
            ApplicationEventPublisher events,
            Clock clock) {
        this.loader = loader;
        this.flags = flags;
        this.comparisons = comparisons;
        this.entities = entities;
        this.database = database;
        this.events = events;
        this.clock = clock;
    }

    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void write(Changes.Touched touched) {
        entities.flush();
        Scope scope = touched.scope();
        Snapshot snapshot = loader.load(scope);
        List<FlagEntity> stored = new ArrayList<>();
        Parts.of(scope.owners().stream().map(Owner::key).toList(), part -> stored.addAll(flags.findByOwnerIn(part)));
        write(Comparison.compare(snapshot, scope), stored);
        writeSites(snapshot, scope.ids(Owner.Type.SITE));
    }

    /** Compares everything, and returns how many flags and rows of sites were not as they should have been. */
    @Transactional(propagation = Propagation.MANDATORY)
    public int writeAll() {
        Snapshot snapshot = loader.loadAll();
        int mended = write(Comparison.compare(snapshot), flags.findAll());
        return mended
                + writeSites(
                        snapshot,
                        snapshot.sites().stream().map(Snapshot.Site::id).collect(Collectors.toSet()));
    }

    /** Counts anew the flags of these causes. */
    void recount(Collection<String> causes) {
        entities.flush();
        Parts.of(causes, part -> {
            String marks = String.join(",", part.stream().map(cause -> "?").toList());
            Object[] keys = part.toArray();
            database.update("delete from flag_cause where cause in (" + marks + ")", keys);
            database.update(
                    "insert into flag_cause (cause, kind, flag_group, severity, kind_order, license_id, family_id,"
                            + " open_count, accepted_count, families, sites, since)"
                            + " select cause, min(kind), min(flag_group), min(severity), min(kind_order),"
                            + " case when count(distinct license_id) = 1 then min(license_id) end,"
                            + " case when count(distinct family_id) = 1 then min(family_id) end,"
                            + " count(*) filter (where accepted_until is null),"
                            + " count(*) filter (where accepted_until is not null),"
                            + " count(distinct family_id), count(distinct site_id), min(since)"
                            + " from flag where gone is null and cause in (" + marks + ") group by cause",
                    keys);
        });
    }

    /** The ids of the flags that came, or came back, and of those that went. */
    record Written(List<String> came, List<String> went) {}

    private int write(List<Flag> found, List<FlagEntity> stored) {
        Instant now = clock.instant();
        Written written = new Written(new ArrayList<>(), new ArrayList<>());
        Map<String, FlagEntity> known =
                stored.stream().collect(Collectors.toMap(FlagEntity::id, Function.identity(), (a, b) -> a));
        Set<String> causes = new LinkedHashSet<>();
        List<Flag> described = new ArrayList<>();
        List<Object[]> periods = new ArrayList<>();
        int changed = 0;
        for (Flag flag : found) {
            FlagEntity row = known.remove(flag.id());
            if (row == null) {
                row = new FlagEntity(flag, now);
                entities.persist(row);
                described.add(flag);
                causes.add(row.cause());
                written.came().add(row.id());
                changed++;
                continue;
            }
            Instant gone = row.gone();
            boolean came = gone != null;
            if (gone != null) {
                periods.add(new Object[] {row.id(), Timestamp.from(row.since()), Timestamp.from(gone)});
                row.comeBack(now);
                written.came().add(row.id());
            }
            String causeBefore = row.cause();
            boolean differs = row.describe(flag);
            if (differs) {
                described.add(flag);
            }
            if (came || differs) {
                causes.add(causeBefore);
                causes.add(row.cause());
                changed++;
            }
        }
        for (FlagEntity row : known.values()) {
            if (row.gone() == null) {
                row.go(now);
                written.went().add(row.id());
                causes.add(row.cause());
                changed++;
            }
        }
        entities.flush();
        database.batchUpdate("insert into flag_period (flag_id, since, gone) values (?, ?, ?)", periods);
        writeFamilies(described);
        recount(causes);
        events.publishEvent(written);
        return changed;
    }

    private void writeFamilies(List<Flag> described) {
        database.batchUpdate(
                "delete from flag_family where flag_id = ?",
                described.stream().map(flag -> new Object[] {flag.id()}).toList());
        database.batchUpdate(
                "insert into flag_family (flag_id, family_id) values (?, ?)",
                described.stream()
                        .flatMap(flag -> flag.familyIds().stream().map(family -> new Object[] {flag.id(), family}))
                        .toList());
    }

    private int writeSites(Snapshot snapshot, Set<String> siteIds) {
        Map<String, SiteComparison> rows = new HashMap<>();
        Parts.of(siteIds, part -> comparisons.findAllById(part).forEach(row -> rows.put(row.siteId(), row)));
        int changed = 0;
        for (String id : siteIds) {
            Snapshot.Site site = snapshot.site(id).orElse(null);
            SiteComparison row = rows.get(id);
            if (site != null) {
                if (row == null) {
                    row = new SiteComparison(id);
                    entities.persist(row);
                }
                changed += row.write(Asked.of(snapshot, site)) ? 1 : 0;
            }
        }
        entities.flush();
        return changed;
    }
}
