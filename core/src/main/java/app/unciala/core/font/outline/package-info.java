/** What a glyph looks like: contours in font units, from either kind of outline table. */
@NullMarked
package app.unciala.core.font.outline;

import org.jspecify.annotations.NullMarked;
