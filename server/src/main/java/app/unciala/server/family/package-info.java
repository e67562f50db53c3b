/** The inventory: families and the files that are held of them. */
@NullMarked
package app.unciala.server.family;

import org.jspecify.annotations.NullMarked;
