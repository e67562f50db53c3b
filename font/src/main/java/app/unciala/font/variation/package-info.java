/** Variable fonts: locations in the design space, and the delta sets that apply there. */
@NullMarked
package app.unciala.font.variation;

import org.jspecify.annotations.NullMarked;
