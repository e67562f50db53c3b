/** Opens a font file of any format, whatever its name says: one entry point, {@link app.unciala.core.font.FontReader}, and one exception. */
@NullMarked
package app.unciala.core.font;

import org.jspecify.annotations.NullMarked;
