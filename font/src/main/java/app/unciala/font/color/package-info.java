/** Color fonts: what formats a face has, and the layers of glyphs. */
@NullMarked
package app.unciala.font.color;

import org.jspecify.annotations.NullMarked;
