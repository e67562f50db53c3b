/** Opens a font file of any format, whatever its name says, and writes a face in any: the entry points of the engine. */
@NullMarked
package app.unciala.font.file;

import org.jspecify.annotations.NullMarked;
