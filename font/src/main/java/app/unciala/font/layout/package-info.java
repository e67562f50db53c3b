/** OpenType layout: coverage, classes, values and lookups of GSUB, GPOS and GDEF as they are read. */
@NullMarked
package app.unciala.font.layout;

import org.jspecify.annotations.NullMarked;
