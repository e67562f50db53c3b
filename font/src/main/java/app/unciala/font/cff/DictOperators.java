package app.unciala.font.cff;

import java.util.Set;

/**
 * The operators of DICTs (Technical Note 5176, sections 9, 15 and 19; OpenType 1.9, "CFF2"). Those of two bytes, of which the
 * first is {@value #ESCAPE}, are numbered from {@value #ESCAPED} on by the second.
 */
public final class DictOperators {
    static final int ESCAPE = 12;
    static final int ESCAPED = 1200;

    // Of the top DICT.
    static final int VERSION = 0;
    static final int NOTICE = 1;
    static final int FULL_NAME = 2;
    static final int FAMILY_NAME = 3;
    static final int WEIGHT = 4;
    static final int FONT_BBOX = 5;
    public static final int UNIQUE_ID = 13;
    public static final int XUID = 14;
    public static final int CHARSET = 15;
    public static final int ENCODING = 16;
    public static final int CHAR_STRINGS = 17;
    public static final int PRIVATE = 18;
    public static final int VARIATION_STORE = 24;
    static final int COPYRIGHT = ESCAPED;
    static final int FONT_MATRIX = ESCAPED + 7;
    static final int POST_SCRIPT = ESCAPED + 21;
    static final int BASE_FONT_NAME = ESCAPED + 22;
    public static final int ROS = ESCAPED + 30;
    public static final int FD_ARRAY = ESCAPED + 36;
    public static final int FD_SELECT = ESCAPED + 37;
    static final int FONT_NAME = ESCAPED + 38;

    // Of private DICTs.
    static final int BLUE_VALUES = 6;
    static final int OTHER_BLUES = 7;
    static final int FAMILY_BLUES = 8;
    static final int FAMILY_OTHER_BLUES = 9;
    static final int STD_HW = 10;
    static final int STD_VW = 11;
    public static final int SUBRS = 19;
    static final int VSINDEX = 22;
    static final int BLEND = 23;
    static final int BLUE_SCALE = ESCAPED + 9;
    static final int BLUE_SHIFT = ESCAPED + 10;
    static final int BLUE_FUZZ = ESCAPED + 11;
    static final int STEM_SNAP_H = ESCAPED + 12;
    static final int STEM_SNAP_V = ESCAPED + 13;
    static final int FORCE_BOLD = ESCAPED + 14;
    static final int LANGUAGE_GROUP = ESCAPED + 17;
    static final int EXPANSION_FACTOR = ESCAPED + 18;
    static final int INITIAL_RANDOM_SEED = ESCAPED + 19;

    /** Those of top and font DICTs whose operand is the number of a string. */
    public static final Set<Integer> NAMING =
            Set.of(VERSION, NOTICE, FULL_NAME, FAMILY_NAME, WEIGHT, COPYRIGHT, POST_SCRIPT, BASE_FONT_NAME, FONT_NAME);

    /** Those that give zones and stem widths to align to. */
    static final Set<Integer> ALIGNING = Set.of(BLUE_VALUES, STD_HW, STD_VW, STEM_SNAP_H, STEM_SNAP_V);

    /** Those that say how hints are used, so that nothing needs them without hints. */
    public static final Set<Integer> HINTING = Set.of(
            BLUE_VALUES,
            OTHER_BLUES,
            FAMILY_BLUES,
            FAMILY_OTHER_BLUES,
            STD_HW,
            STD_VW,
            BLUE_SCALE,
            BLUE_SHIFT,
            BLUE_FUZZ,
            STEM_SNAP_H,
            STEM_SNAP_V,
            FORCE_BOLD,
            LANGUAGE_GROUP,
            EXPANSION_FACTOR,
            INITIAL_RANDOM_SEED);

    private DictOperators() {}
}
