/** Subtables of GPOS that are not contextual, as they are read: adjustments of glyphs and pairs, and attachments by anchors. */
@NullMarked
package app.unciala.font.layout.position;

import org.jspecify.annotations.NullMarked;
