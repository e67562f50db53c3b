/** Cuts color glyphs: layers and paints of {@code COLR}, pictures of {@code CBLC} and {@code CBDT} and of {@code sbix}. */
@NullMarked
package app.unciala.font.subset.color;

import org.jspecify.annotations.NullMarked;
