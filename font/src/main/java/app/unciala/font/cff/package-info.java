/** Compact Font Format, versions 1 and 2: dictionaries, indexes, and the Type 2 charstrings that draw glyphs. */
@NullMarked
package app.unciala.font.cff;

import org.jspecify.annotations.NullMarked;
