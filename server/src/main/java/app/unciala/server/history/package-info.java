/** Who did what, when. */
@NullMarked
package app.unciala.server.history;

import org.jspecify.annotations.NullMarked;
