/** Cuts pictures of glyphs: {@code CBLC} with {@code CBDT}, and {@code sbix}. */
@NullMarked
package app.unciala.font.subset.color;

import org.jspecify.annotations.NullMarked;
