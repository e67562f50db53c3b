/** Cuts GSUB, GPOS and GDEF down to the glyphs that are kept, kerning among them. */
@NullMarked
package app.unciala.font.subset.layout;

import org.jspecify.annotations.NullMarked;
