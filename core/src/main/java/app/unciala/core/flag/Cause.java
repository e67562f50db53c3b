package app.unciala.core.flag;

import static app.unciala.core.sentence.Sentences.count;

import java.util.Optional;

/**
 * What several flags have in common, so that they can be shown as one: their kind, and for some kinds their license or
 * their family (see {@link FlagKind.Gathering}).
 */
public record Cause(FlagKind kind, Optional<String> licenseId, Optional<String> familyId) {
    public static Cause of(Flag flag) {
        return switch (flag.kind().gathering()) {
            case KIND -> new Cause(flag.kind(), Optional.empty(), Optional.empty());
            case LICENSE -> new Cause(flag.kind(), flag.subject().licenseId(), Optional.empty());
            case FAMILY ->
                new Cause(flag.kind(), Optional.empty(), flag.subject().familyId());
        };
    }

    /** A short form to store and to be used in addresses, such as {@code LICENSE_ENDED.k3m}. */
    public String key() {
        return kind + licenseId.or(() -> familyId).map(id -> "." + id).orElse("");
    }

    /**
     * The cause in words.
     *
     * @param flags how many flags have it, at least one
     * @param families how many families these flags are about
     * @param name the name of the license or family they share; ignored where they share none
     */
    public static String title(FlagKind kind, int flags, int families, String name) {
        return switch (kind) {
            case NO_LICENSE -> count(families, "family has", "families have") + " no license";
            case LICENSE_ENDED -> name + " has ended and is still in use";
            case LICENSE_NOT_BEGUN -> name + " has not begun and is in use already";
            case HELD_BY_ANOTHER_CLIENT -> name + " is held by another client than the one whose site uses it";
            case DOMAINS_OVER_LIMIT -> name + " names more domains than it permits";
            case PAGE_VIEWS_OVER_LIMIT -> name + " is used for more page views than it permits";
            case LICENSED_TWICE -> count(families, "family has", "families have") + " two licenses for the same right";
            case DOMAIN_NOT_PERMITTED -> name + " does not permit " + count(flags, "domain", "domains") + " in use";
            case WEB_USE_REFUSED -> name + " refuses use on web pages";
            case FORMAT_NOT_PERMITTED -> name + " does not permit WOFF2";
            case CONVERTING_NOT_PERMITTED -> name + " refuses converting, and no WOFF2 from the vendor is held";
            case SUBSETTING_NOT_PERMITTED -> name + " refuses subsetting, and covers a part of a variable font only";
            case INLINING_NOT_PERMITTED -> name + " refuses inlining, and fonts go inside a style sheet";
            case THIRD_PARTY_NOT_PERMITTED -> name + " refuses third-party hosting, and fonts are hosted there";
            case NOT_STATED -> name + " leaves " + count(flags, "question", "questions") + " open";
            case EMBEDDING_DISAGREES -> name + ": the files themselves forbid embedding";
            case MARKED_FILE -> name + ": files say that they are not for general use";
            case FEW_CHARACTERS -> name + " has " + count(flags, "face", "faces") + " with few of its characters";
            case LANGUAGE_NOT_COVERED ->
                name + " lacks characters of languages that " + count(flags, "site is", "sites are") + " in";
            case TWO_NAMES -> count(flags, "font is", "fonts are") + " held under two names";
            case LICENSE_ENDING -> count(flags, "license ends", "licenses end") + " soon";
            case NO_PROOF -> count(flags, "license has", "licenses have") + " no proof";
            case FACE_NOT_HELD ->
                name + " lacks " + count(flags, "face that a site asks for", "faces that sites ask for");
            case STORED_FILE_DAMAGED -> count(flags, "stored file is", "stored files are") + " damaged";
            case WEB_FORMAT_NOT_HELD -> count(flags, "face has", "faces have") + " no WOFF2";
            case NOT_COLLECTED -> name + ": paid for and not collected";
            case FOUND_NOT_ALLOWED -> name + " is on pages where it is not allowed";
            case FOUND_NOT_RECORDED ->
                count(flags, "font on a page is", "fonts on pages are") + " not in the inventory";
            case ROLE_NOT_REACHED ->
                count(flags, "text role isn’t", "text roles aren’t") + " shown in the face that was chosen";
            case OWN_COPY_BROKEN -> count(flags, "site’s own copy is", "sites’ own copies are") + " broken";
            case WRONG_FILE_THERE -> count(flags, "site has", "sites have") + " another file at the address of a font";
            case FAKED_ON_PAGE -> count(flags, "site shows", "sites show") + " faked bold or italic";
            case NAME_NOT_DECLARED -> count(flags, "site asks", "sites ask") + " for families that nothing declares";
            case FILE_NOT_REACHED -> count(flags, "site has", "sites have") + " files that visitors can’t load";
            case NOT_A_FONT_THERE -> count(flags, "site gives", "sites give") + " something else for a font";
            case GIVEN_OTHERWISE -> count(flags, "site gives", "sites give") + " other faces than are asked";
            case CHARACTERS_ON_PAGE -> count(flags, "site has", "sites have") + " texts whose fonts lack characters";
            case NO_GENERIC_ON_PAGE -> count(flags, "site has", "sites have") + " stacks without a generic family";
            case TWICE_ON_PAGE -> count(flags, "site declares", "sites declare") + " or fetches faces twice";
            case NOT_USED_ON_PAGES -> count(flags, "site delivers", "sites deliver") + " faces that no text uses";
            case THIRD_PARTY -> count(flags, "third-party host is", "third-party hosts are") + " asked for fonts";
            case DELIVERED_ANYWAY -> count(flags, "pack delivers", "packs deliver") + " what is not allowed";
            case PACK_DUE -> count(flags, "site is", "sites are") + " due a new pack";
            case OVER_BUDGET -> count(flags, "site is", "sites are") + " over the budget for fonts";
            case DELIVERED_NOT_ASKED -> count(flags, "site delivers", "sites deliver") + " faces that nothing asks for";
            case WHOLE_FACES -> count(flags, "site delivers", "sites deliver") + " whole fonts where a subset would do";
            case SAME_BYTES -> count(flags, "file is", "files are") + " recorded more than once";
            case SAME_DRAWING -> count(flags, "font is", "fonts are") + " held more than once";
            case SLOT_CLASH -> count(flags, "slot has", "slots have") + " conflicting files";
        };
    }
}
