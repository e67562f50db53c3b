/** What a glyph looks like: contours and points in font units, whichever table they come from. */
@NullMarked
package app.unciala.font.outline;

import org.jspecify.annotations.NullMarked;
