/** Compact Font Format: reading a CFF table and running its Type 2 charstrings. */
@NullMarked
package app.unciala.core.font.cff;

import org.jspecify.annotations.NullMarked;
