/** OpenType layout: what GSUB, GPOS and GDEF say of glyphs, and writing them anew for fewer glyphs. */
@NullMarked
package app.unciala.core.font.layout;

import org.jspecify.annotations.NullMarked;
