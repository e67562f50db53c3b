/** TrueType outlines made of others; begin at {@link app.unciala.font.truetype.TrueTypeConversion}. */
@NullMarked
package app.unciala.font.truetype;

import org.jspecify.annotations.NullMarked;
