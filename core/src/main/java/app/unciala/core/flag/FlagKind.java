package app.unciala.core.flag;

import static app.unciala.core.flag.FlagGroup.DUPLICATE;
import static app.unciala.core.flag.FlagGroup.MISSING;
import static app.unciala.core.flag.FlagGroup.PRIVACY;
import static app.unciala.core.flag.FlagGroup.SURPLUS;
import static app.unciala.core.flag.FlagGroup.UNLICENSED;

import app.unciala.core.flag.Flag.Severity;

/** Every kind of flag, with its group, how grave it is, the step that solves it, and what makes several one cause. */
public enum FlagKind {
    NO_LICENSE(UNLICENSED, Severity.STOP, NextAction.RECORD_LICENSE, Gathering.KIND),
    LICENSE_ENDED(UNLICENSED, Severity.STOP, NextAction.RENEW_LICENSE, Gathering.LICENSE),
    LICENSE_NOT_BEGUN(UNLICENSED, Severity.STOP, NextAction.EDIT_LICENSE, Gathering.LICENSE),
    HELD_BY_ANOTHER_CLIENT(UNLICENSED, Severity.STOP, NextAction.RECORD_LICENSE, Gathering.LICENSE),
    DOMAIN_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.PERMIT_DOMAIN, Gathering.LICENSE),
    DOMAINS_OVER_LIMIT(UNLICENSED, Severity.STOP, NextAction.EDIT_LICENSE, Gathering.LICENSE),
    PAGE_VIEWS_OVER_LIMIT(UNLICENSED, Severity.STOP, NextAction.EDIT_LICENSE, Gathering.LICENSE),
    WEB_USE_REFUSED(UNLICENSED, Severity.STOP, NextAction.RECORD_LICENSE, Gathering.LICENSE),
    FORMAT_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.EDIT_LICENSE, Gathering.LICENSE),
    CONVERTING_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.ADD_FILES, Gathering.LICENSE),
    SUBSETTING_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.ADD_FILES, Gathering.LICENSE),
    INLINING_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.EDIT_LICENSE, Gathering.LICENSE),
    THIRD_PARTY_NOT_PERMITTED(UNLICENSED, Severity.STOP, NextAction.EDIT_LICENSE, Gathering.LICENSE),
    NOT_STATED(UNLICENSED, Severity.ASK, NextAction.ASK_VENDOR, Gathering.LICENSE),
    EMBEDDING_DISAGREES(UNLICENSED, Severity.WARN, NextAction.ASK_VENDOR, Gathering.FAMILY),
    DELIVERED_ANYWAY(UNLICENSED, Severity.STOP, NextAction.MAKE_PACK, Gathering.KIND),
    FOUND_NOT_ALLOWED(UNLICENSED, Severity.STOP, NextAction.RECORD_LICENSE, Gathering.FAMILY),
    FOUND_NOT_RECORDED(UNLICENSED, Severity.STOP, NextAction.TAKE_IN, Gathering.KIND),
    MARKED_FILE(UNLICENSED, Severity.WARN, NextAction.ADD_FILES, Gathering.FAMILY),
    LICENSE_ENDING(UNLICENSED, Severity.WARN, NextAction.RENEW_LICENSE, Gathering.KIND),
    NO_PROOF(UNLICENSED, Severity.WARN, NextAction.ATTACH_AGREEMENT, Gathering.KIND),
    FACE_NOT_HELD(MISSING, Severity.STOP, NextAction.ADD_FILES, Gathering.FAMILY),
    STORED_FILE_DAMAGED(MISSING, Severity.STOP, NextAction.ADD_FILES, Gathering.KIND),
    ROLE_NOT_REACHED(MISSING, Severity.STOP, NextAction.OPEN_CHECK, Gathering.KIND),
    OWN_COPY_BROKEN(MISSING, Severity.STOP, NextAction.OPEN_CHECK, Gathering.KIND),
    WRONG_FILE_THERE(MISSING, Severity.STOP, NextAction.OPEN_CHECK, Gathering.KIND),
    FAKED_ON_PAGE(MISSING, Severity.STOP, NextAction.OPEN_CHECK, Gathering.KIND),
    NAME_NOT_DECLARED(MISSING, Severity.STOP, NextAction.OPEN_CHECK, Gathering.KIND),
    FILE_NOT_REACHED(MISSING, Severity.STOP, NextAction.OPEN_CHECK, Gathering.KIND),
    NOT_A_FONT_THERE(MISSING, Severity.STOP, NextAction.OPEN_CHECK, Gathering.KIND),
    GIVEN_OTHERWISE(MISSING, Severity.WARN, NextAction.OPEN_CHECK, Gathering.KIND),
    CHARACTERS_ON_PAGE(MISSING, Severity.WARN, NextAction.OPEN_CHECK, Gathering.KIND),
    NO_GENERIC_ON_PAGE(MISSING, Severity.WARN, NextAction.OPEN_CHECK, Gathering.KIND),
    WEB_FORMAT_NOT_HELD(MISSING, Severity.WARN, NextAction.MAKE_WOFF2, Gathering.KIND),
    LANGUAGE_NOT_COVERED(MISSING, Severity.WARN, NextAction.CHOOSE_FACES, Gathering.FAMILY),
    FEW_CHARACTERS(MISSING, Severity.WARN, NextAction.ADD_FILES, Gathering.FAMILY),
    NOT_COLLECTED(MISSING, Severity.WARN, NextAction.ADD_FILES, Gathering.LICENSE),
    PACK_DUE(MISSING, Severity.WARN, NextAction.MAKE_PACK, Gathering.KIND),
    SAME_BYTES(DUPLICATE, Severity.WARN, NextAction.SETTLE_DUPLICATE, Gathering.KIND),
    SAME_DRAWING(DUPLICATE, Severity.WARN, NextAction.SETTLE_DUPLICATE, Gathering.KIND),
    TWO_NAMES(DUPLICATE, Severity.WARN, NextAction.SETTLE_DUPLICATE, Gathering.KIND),
    SLOT_CLASH(DUPLICATE, Severity.WARN, NextAction.SETTLE_DUPLICATE, Gathering.KIND),
    LICENSED_TWICE(DUPLICATE, Severity.WARN, NextAction.EDIT_LICENSE, Gathering.KIND),
    TWICE_ON_PAGE(DUPLICATE, Severity.WARN, NextAction.OPEN_CHECK, Gathering.KIND),
    OVER_BUDGET(SURPLUS, Severity.WARN, NextAction.CHOOSE_FACES, Gathering.KIND),
    DELIVERED_NOT_ASKED(SURPLUS, Severity.WARN, NextAction.MAKE_PACK, Gathering.KIND),
    WHOLE_FACES(SURPLUS, Severity.WARN, NextAction.NAME_LANGUAGES, Gathering.KIND),
    NOT_USED_ON_PAGES(SURPLUS, Severity.WARN, NextAction.OPEN_CHECK, Gathering.KIND),
    THIRD_PARTY(PRIVACY, Severity.WARN, NextAction.OPEN_CHECK, Gathering.KIND);

    /** What flags of one kind must share to have one cause: nothing more, their license, or their family. */
    public enum Gathering {
        KIND,
        LICENSE,
        FAMILY
    }

    private final FlagGroup group;
    private final Severity severity;
    private final NextAction action;
    private final Gathering gathering;

    FlagKind(FlagGroup group, Severity severity, NextAction action, Gathering gathering) {
        this.gathering = gathering;
        this.group = group;
        this.severity = severity;
        this.action = action;
    }

    public Gathering gathering() {
        return gathering;
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
