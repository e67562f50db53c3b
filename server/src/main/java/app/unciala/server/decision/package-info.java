/** Asking whether something may be done with a face, by the licenses as recorded. */
@NullMarked
package app.unciala.server.decision;

import org.jspecify.annotations.NullMarked;
