/** Glyph closure: the glyphs that layout rules and mathematical variants can reach from others. */
@NullMarked
package app.unciala.font.layout.closure;

import org.jspecify.annotations.NullMarked;
