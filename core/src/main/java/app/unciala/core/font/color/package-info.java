/** Color fonts: layers, palettes and pictures of glyphs. */
@NullMarked
package app.unciala.core.font.color;

import org.jspecify.annotations.NullMarked;
