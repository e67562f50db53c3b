/** Variable fonts: places on their axes, the deltas there, and the static face at one place. */
@NullMarked
package app.unciala.core.font.variation;

import org.jspecify.annotations.NullMarked;
