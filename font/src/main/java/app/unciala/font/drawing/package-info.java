/** Recognizes a drawing whatever its container, names or dates: digests, likeness, signatures to search by. */
@NullMarked
package app.unciala.font.drawing;

import org.jspecify.annotations.NullMarked;
