package app.unciala.core.flag;

import static app.unciala.core.flag.FlagGroup.DUPLICATE;
import static app.unciala.core.flag.FlagGroup.MISSING;
import static app.unciala.core.flag.FlagGroup.UNLICENSED;

import app.unciala.core.flag.Flag.Severity;

/** Every kind of flag, with its group, how grave it is, and the step that solves it. */
public enum FlagKind {
    NO_LICENSE(UNLICENSED, Severity.STOP, NextAction.RECORD_LICENSE),
    LICENSE_ENDED(UNLICENSED, Severity.STOP, NextAction.RENEW_LICENSE),
    LICENSE_NOT_BEGUN(UNLICENSED, Severity.STOP, NextAction.EDIT_LICENSE),
    DOMAIN_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.PERMIT_DOMAIN),
    WEB_USE_REFUSED(UNLICENSED, Severity.STOP, NextAction.RECORD_LICENSE),
    FORMAT_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.EDIT_LICENSE),
    CONVERTING_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.ADD_FILES),
    NOT_STATED(UNLICENSED, Severity.ASK, NextAction.ASK_VENDOR),
    EMBEDDING_DISAGREES(UNLICENSED, Severity.WARN, NextAction.ASK_VENDOR),
    LICENSE_ENDING(UNLICENSED, Severity.WARN, NextAction.RENEW_LICENSE),
    NO_PROOF(UNLICENSED, Severity.WARN, NextAction.ATTACH_AGREEMENT),
    FACE_NOT_HELD(MISSING, Severity.STOP, NextAction.ADD_FILES),
    WEB_FORMAT_NOT_HELD(MISSING, Severity.WARN, NextAction.MAKE_WOFF2),
    NOT_COLLECTED(MISSING, Severity.WARN, NextAction.ADD_FILES),
    SAME_BYTES(DUPLICATE, Severity.WARN, NextAction.REMOVE_FILE),
    SAME_DRAWING(DUPLICATE, Severity.WARN, NextAction.REMOVE_FILE),
    SLOT_CLASH(DUPLICATE, Severity.WARN, NextAction.REMOVE_FILE);

    private final FlagGroup group;
    private final Severity severity;
    private final NextAction action;

    FlagKind(FlagGroup group, Severity severity, NextAction action) {
        this.group = group;
        this.severity = severity;
        this.action = action;
    }

    public FlagGroup group() {
        return group;
    }

    public Severity severity() {
        return severity;
    }

    public NextAction action() {
        return action;
    }
}
