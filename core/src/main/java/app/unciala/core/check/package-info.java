/** Checks of whole sites: which pages are read, what they have in common, and what changed since the check before. */
@NullMarked
package app.unciala.core.check;

import org.jspecify.annotations.NullMarked;
