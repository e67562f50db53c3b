/** Compares what is asked, held and allowed: a snapshot in, a list of flags out. */
@NullMarked
package app.unciala.core.flag;

import org.jspecify.annotations.NullMarked;
