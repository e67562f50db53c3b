package app.unciala.core.proof;

import java.util.Locale;

/** What can be wrong with the fonts of a style sheet. */
public enum FindingKind {
    SYNTAX,
    TYPOGRAPHIC_QUOTES,
    UNQUOTED_NAME,
    NAME_MISMATCH,
    UNDECLARED_FAMILY,
    UNUSED_FACE,
    FAMILY_PER_WEIGHT,
    DUPLICATE_FACE,
    WEIGHT_MISMATCH,
    STYLE_MISMATCH,
    MISSING_DESCRIPTOR,
    WRONG_FORMAT_HINT,
    FORMAT_ORDER,
    LEGACY_FORMAT,
    NO_GENERIC,
    UNRESOLVED_PATH,
    INSECURE_URL,
    SCHEME_RELATIVE_URL,
    SHARE_LINK,
    IMPORT_NOT_FIRST,
    THIRD_PARTY,
    MISSING_FONT_DISPLAY,
    ASKED_FACE_NOT_DECLARED,
    NOT_HELD,
    NOT_ALLOWED;

    /** As it stands in answers, such as {@code typographic-quotes}. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
