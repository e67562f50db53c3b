/** Figures, measured against a baseline in the same run. */
@NullMarked
package app.unciala.bench;

import org.jspecify.annotations.NullMarked;
