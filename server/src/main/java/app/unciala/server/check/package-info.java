/** Checks of sites' pages: what is to be read, the job that reads it, and what was found against what is held and allowed. */
@NullMarked
package app.unciala.server.check;

import org.jspecify.annotations.NullMarked;
