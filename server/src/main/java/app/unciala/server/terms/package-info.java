/** Sets of terms that licenses start from. */
@NullMarked
package app.unciala.server.terms;

import org.jspecify.annotations.NullMarked;
