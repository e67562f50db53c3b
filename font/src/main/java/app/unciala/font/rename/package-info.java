/** Gives a face other family and style names, with all that has to agree with them. */
@NullMarked
package app.unciala.font.rename;

import org.jspecify.annotations.NullMarked;
