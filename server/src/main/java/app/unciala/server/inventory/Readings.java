package app.unciala.server.inventory;

import app.unciala.core.license.PageViews.Reading;
import java.sql.Date;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The page views that were read of sites, by month. */
@Component
public class Readings {
    private final JdbcClient database;

    Readings(JdbcClient database) {
        this.database = database;
    }

    /** What was read of a site, the latest month first. */
    public List<Reading> ofSite(String siteId) {
        return database.sql(
                        "select s.name, p.read_month, p.page_views from page_views p join site s on s.id = p.site_id"
                                + " where p.site_id = :site order by p.read_month desc")
                .param("site", siteId)
                .query((row, number) -> new Reading(
                        row.getString(1), YearMonth.from(row.getDate(2).toLocalDate()), row.getLong(3)))
                .list();
    }

    /** What was read of the sites that ask for a family which a license covers, by license. */
    public Map<String, List<Reading>> ofLicenses(Collection<String> licenseIds) {
        Map<String, List<Reading>> readings = new TreeMap<>();
        Parts.of(licenseIds, ids -> database.sql(
                        "select distinct l.license_id, s.name, p.site_id, p.read_month, p.page_views"
                                + " from license_family l join site_family f on f.family_id = l.family_id"
                                + " join site s on s.id = f.site_id and s.deleted_at is null"
                                + " join page_views p on p.site_id = s.id where l.license_id in (:ids)"
                                + " order by p.read_month desc, s.name, p.site_id")
                .param("ids", ids)
                .query((row, number) -> readings.computeIfAbsent(row.getString(1), id -> new ArrayList<>())
                        .add(new Reading(
                                row.getString(2), YearMonth.from(row.getDate(4).toLocalDate()), row.getLong(5))))
                .list());
        return readings;
    }

    /** Records the page views of a month; none take back what was read. */
    public void write(String siteId, YearMonth month, @Nullable Long views) {
        Date first = Date.valueOf(month.atDay(1));
        database.sql("delete from page_views where site_id = :site and read_month = :month")
                .param("site", siteId)
                .param("month", first)
                .update();
        if (views != null) {
            database.sql("insert into page_views (site_id, read_month, page_views) values (:site, :month, :views)")
                    .param("site", siteId)
                    .param("month", first)
                    .param("views", views)
                    .update();
        }
    }
}
