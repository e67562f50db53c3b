package app.unciala.server.flag;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import org.hibernate.annotations.Immutable;

/** A family whose page shows a flag; read only, to look flags up by. */
@Entity
@Immutable
@Table(name = "flag_family")
@IdClass(FlagFamily.Key.class)
class FlagFamily {
    @Id
    private String flagId = "";

    @Id
    private String familyId = "";

    protected FlagFamily() {}

    /** Both columns together. */
    static class Key implements Serializable {
        private static final long serialVersionUID = 1;

        private String flagId = "";
        private String familyId = "";

        @Override
        public boolean equals(Object other) {
            return other instanceof Key key && key.flagId.equals(flagId) && key.familyId.equals(familyId);
        }

        @Override
        public int hashCode() {
            return flagId.hashCode() * 31 + familyId.hashCode();
        }
    }
}
