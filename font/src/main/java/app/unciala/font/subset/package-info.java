/** Cuts a face down to the characters a site needs: glyph closure, new glyph numbers, and each table for them. */
@NullMarked
package app.unciala.font.subset;

import org.jspecify.annotations.NullMarked;
