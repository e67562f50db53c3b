package app.unciala.server.check;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.Objects;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** What is checked of a site; passwords in it are encrypted. */
@Entity
@Table(name = "check_plan")
class CheckPlanEntity {
    @Id
    private String siteId = "";

    @Version
    private @Nullable Long version;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable CheckPlan plan;

    protected CheckPlanEntity() {}

    CheckPlanEntity(String siteId) {
        this.siteId = siteId;
    }

    String siteId() {
        return siteId;
    }

    long version() {
        return version == null ? 0 : version + 1;
    }

    CheckPlan plan() {
        return Objects.requireNonNull(plan);
    }

    void edit(CheckPlan edited) {
        plan = edited;
    }
}
