/** The outlines of the glyphs of a face, from whichever table it has. */
@NullMarked
package app.unciala.font.glyph;

import org.jspecify.annotations.NullMarked;
