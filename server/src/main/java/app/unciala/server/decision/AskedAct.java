package app.unciala.server.decision;

import app.unciala.core.license.Act;

/** What is done with a face, as requests name it; {@code CUT} is the earlier name of {@code SUBSET}, and still read. */
public enum AskedAct {
    SERVE(Act.SERVE),
    CONVERT(Act.CONVERT),
    SUBSET(Act.CUT),
    CUT(Act.CUT),
    RENAME(Act.RENAME),
    INLINE(Act.INLINE),
    THIRD_PARTY(Act.THIRD_PARTY);

    private final Act act;

    AskedAct(Act act) {
        this.act = act;
    }

    Act act() {
        return act;
    }

    /** The name of an act. */
    public static AskedAct of(Act act) {
        for (AskedAct asked : values()) {
            if (asked.act == act) {
                return asked;
            }
        }
        throw new IllegalArgumentException(act + " has no name in requests");
    }
}
