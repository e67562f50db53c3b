/** Subtables of GSUB that are not contextual, as they are read: one glyph or several for one or several others. */
@NullMarked
package app.unciala.font.layout.substitution;

import org.jspecify.annotations.NullMarked;
