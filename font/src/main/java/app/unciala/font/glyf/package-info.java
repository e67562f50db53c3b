/** TrueType outlines: the {@code glyf} and {@code loca} tables, simple and composite glyphs. */
@NullMarked
package app.unciala.font.glyf;

import org.jspecify.annotations.NullMarked;
