package app.unciala.server.flag;

import app.unciala.core.flag.Crossing;
import app.unciala.core.flag.Snapshot;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Asked, held and allowed of one site, as last compared; the site's page and its packs are made from it. */
@Entity
@Table(name = "site_comparison")
class SiteComparison {
    @Id
    private String siteId = "";

    @JdbcTypeCode(SqlTypes.JSON)
    private Asked asked = new Asked(List.of());

    protected SiteComparison() {}

    SiteComparison(String siteId) {
        this.siteId = siteId;
    }

    /** All rows of a site, one for each face that each of its roles asks for. */
    record Asked(List<AskedRow> rows) {
        static Asked of(Snapshot snapshot, Snapshot.Site site) {
            return new Asked(Crossing.of(snapshot, site).stream()
                    .map(crossing -> AskedRow.of(snapshot, crossing))
                    .toList());
        }
    }

    /** Takes over what was compared; says whether anything differs. */
    boolean write(Asked compared) {
        boolean same = asked.equals(compared);
        asked = compared;
        return !same;
    }

    String siteId() {
        return siteId;
    }

    List<AskedRow> rows() {
        return asked.rows();
    }
}
