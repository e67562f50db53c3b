/** Bytes of a font file as they are read and written: big-endian numbers, bounds that are always checked, work that is limited. */
@NullMarked
package app.unciala.font.bytes;

import org.jspecify.annotations.NullMarked;
