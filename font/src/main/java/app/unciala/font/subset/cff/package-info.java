/** Cuts a {@code CFF} table: charstrings without subroutines for the glyphs that are kept. */
@NullMarked
package app.unciala.font.subset.cff;

import org.jspecify.annotations.NullMarked;
