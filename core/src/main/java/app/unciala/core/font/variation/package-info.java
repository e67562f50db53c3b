/** Variable fonts: places on their axes, and the deltas that hold there. */
@NullMarked
package app.unciala.core.font.variation;

import org.jspecify.annotations.NullMarked;
