/** Finds families and faces by their names as people half remember them. */
@NullMarked
package app.unciala.core.search;

import org.jspecify.annotations.NullMarked;
