/** The comparison of asked, held and allowed, over the records. */
@NullMarked
package app.unciala.server.flag;

import org.jspecify.annotations.NullMarked;
