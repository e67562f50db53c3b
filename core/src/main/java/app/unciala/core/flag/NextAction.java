package app.unciala.core.flag;

/** The one step that a flag offers. */
public enum NextAction {
    RECORD_LICENSE,
    EDIT_LICENSE,
    RENEW_LICENSE,
    PERMIT_DOMAIN,
    ASK_VENDOR,
    ATTACH_AGREEMENT,
    ADD_FILES,
    MAKE_WOFF2,
    SETTLE_DUPLICATE,
    MAKE_PACK,
    CHOOSE_FACES,
    NAME_LANGUAGES,
    OPEN_CHECK,
    TAKE_IN
}
