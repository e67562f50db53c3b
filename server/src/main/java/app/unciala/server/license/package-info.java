/** Licenses as recorded, with their agreements. */
@NullMarked
package app.unciala.server.license;

import org.jspecify.annotations.NullMarked;
