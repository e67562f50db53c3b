package app.unciala.core.license;

import app.unciala.core.license.Decision.Point;

/** What may be done with a font file, each of which a license grants, refuses or does not state. */
public enum Act {
    /** Serving it from the site's own host. */
    SERVE(Point.WEB_USE),
    CONVERT(Point.CONVERTING),
    /** Leaving out characters that a site does not need. */
    CUT(Point.CUTTING),
    RENAME(Point.RENAMING),
    /** Putting it into a page or style sheet as a {@code data:} URL. */
    INLINE(Point.INLINING),
    /** Serving it through a host of somebody else. */
    THIRD_PARTY(Point.THIRD_PARTY);

    private final Point point;

    Act(Point point) {
        this.point = point;
    }

    /** The point on which a license is asked about it. */
    public Point point() {
        return point;
    }

    /** Whether visitors get the file by it, so that it matters on which domain and in which format. */
    public boolean publishes() {
        return this == SERVE || this == INLINE || this == THIRD_PARTY;
    }
}
