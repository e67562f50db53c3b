/** Recognises a drawing whatever its container, names or dates. */
@NullMarked
package app.unciala.core.drawing;

import org.jspecify.annotations.NullMarked;
