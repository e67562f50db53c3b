/** Bounds on the time that one piece of work on somebody else's files may take. */
@NullMarked
package app.unciala.font.budget;

import org.jspecify.annotations.NullMarked;
