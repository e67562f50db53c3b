package app.unciala.font.layout;

import app.unciala.font.FontException;
import app.unciala.font.Problem;
import app.unciala.font.Problem.Severity;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.NavigableSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** The layout features of a face, by tag. */
public final class LayoutFeatures {
    private static final Set<String> APPLIED_UNASKED = tags("""
            rvrn ccmp locl rlig rclt mark mkmk liga clig calt kern curs frac numr dnom rand
            ltra ltrm rtla rtlm valt vert vkrn vpal vrt2 chws vchw
            init medi med2 fina fin2 fin3 isol cswh mset stch ljmo vjmo tjmo
            abvs blws abvm blwm nukt akhn rphf rkrf pref blwf half abvf pstf cfar vatu cjct pres psts haln dist
            """);

    private LayoutFeatures() {}

    /**
     * Whether text is set with the feature unless a style sheet turns it off: the features that the OpenType registry
     * has on by default, those that a script needs, and those that a fraction slash calls for.
     */
    public static boolean isAppliedUnasked(String tag) {
        return APPLIED_UNASKED.contains(tag);
    }

    /** The tags of all features of GSUB and GPOS, in alphabetical order; those of a damaged table are left out. */
    public static NavigableSet<String> of(Sfnt face) {
        NavigableSet<String> tags = new TreeSet<>();
        each(face, tags::add, problem -> {});
        return tags;
    }

    /** What keeps the features of a table from being read; browsers then set text without them. */
    public static List<Problem> problems(Sfnt face) {
        List<Problem> problems = new ArrayList<>();
        each(face, tag -> {}, problems::add);
        return problems;
    }

    private static void each(Sfnt face, Consumer<String> found, Consumer<Problem> wrong) {
        for (String tag : List.of("GSUB", "GPOS")) {
            try {
                face.table(tag)
                        .ifPresent(table -> LayoutTable.of(table).featureTags().forEach(found));
            } catch (FontException e) {
                wrong.accept(new Problem(Severity.ERROR, tag, e.reason() + "; browsers set text without it"));
            }
        }
    }

    private static Set<String> tags(String text) {
        return Arrays.stream(text.strip().split("\\s+")).collect(Collectors.toUnmodifiableSet());
    }
}
