/** Cuts a face down to the characters a site needs. */
@NullMarked
package app.unciala.core.font.subset;

import org.jspecify.annotations.NullMarked;
