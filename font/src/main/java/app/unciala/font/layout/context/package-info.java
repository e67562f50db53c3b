/** Contextual lookups of GSUB and GPOS: rules of which glyphs stand before, at and after those that lookups are applied to. */
@NullMarked
package app.unciala.font.layout.context;

import org.jspecify.annotations.NullMarked;
