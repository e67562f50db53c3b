package app.unciala.core.css.selector;

import java.util.Set;

/** Names that browsers know in selectors. */
final class KnownNames {
    /** Those that may stand after one colon, as they did before there were two. */
    static final Set<String> OLD_PSEUDO_ELEMENTS = Set.of("before", "after", "first-line", "first-letter");

    static final Set<String> PSEUDO_ELEMENTS = Set.of(
            "before",
            "after",
            "first-line",
            "first-letter",
            "marker",
            "placeholder",
            "selection",
            "backdrop",
            "file-selector-button",
            "slotted",
            "part",
            "cue",
            "details-content",
            "target-text",
            "spelling-error",
            "grammar-error",
            "highlight",
            "search-text",
            "view-transition",
            "view-transition-group",
            "view-transition-image-pair",
            "view-transition-old",
            "view-transition-new",
            "scroll-marker",
            "scroll-marker-group",
            "scroll-button",
            "column",
            "picker",
            "picker-icon",
            "checkmark");

    /** The attributes of HTML whose values are compared in any case (HTML, "Case-sensitivity of selectors"). */
    static final Set<String> ANY_CASE_VALUES = Set.of(
            "accept",
            "accept-charset",
            "align",
            "alink",
            "axis",
            "bgcolor",
            "charset",
            "checked",
            "clear",
            "codetype",
            "color",
            "compact",
            "declare",
            "defer",
            "dir",
            "direction",
            "disabled",
            "enctype",
            "face",
            "frame",
            "hreflang",
            "http-equiv",
            "lang",
            "language",
            "link",
            "media",
            "method",
            "multiple",
            "nohref",
            "noresize",
            "noshade",
            "nowrap",
            "readonly",
            "rel",
            "rev",
            "rules",
            "scope",
            "scrolling",
            "selected",
            "shape",
            "target",
            "text",
            "type",
            "valign",
            "valuetype",
            "vlink");

    private KnownNames() {}
}
