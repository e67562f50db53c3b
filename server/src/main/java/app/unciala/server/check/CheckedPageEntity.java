package app.unciala.server.check;

import app.unciala.server.inventory.Ids;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A page as a check found it. */
@Entity
@Table(name = "checked_page")
class CheckedPageEntity {
    @Id
    private String id = "";

    @Column
    private String checkId = "";

    @Column
    private int position;

    @JdbcTypeCode(SqlTypes.JSON)
    private CheckedText content = CheckedText.NONE;

    protected CheckedPageEntity() {}

    CheckedPageEntity(String checkId, int position, CheckedText content) {
        id = Ids.next();
        this.checkId = checkId;
        this.position = position;
        this.content = content;
    }

    CheckedText content() {
        return content;
    }
}
