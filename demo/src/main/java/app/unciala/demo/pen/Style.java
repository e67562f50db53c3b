package app.unciala.demo.pen;

/**
 * How a family's skeletons are drawn: the nib, how much wider or narrower than the skeleton, the room beside letters
 * in percent of the usual, the lean (x per y), serifs or none, and the advance of every glyph when they are all equal
 * (otherwise 0).
 */
record Style(
        Nib nib, double stretch, double spacing, double lean, boolean serifs, double squareness, double fixedAdvance) {}
