/** Style sheets read for what is wrong with their fonts, against the inventory and a site's licenses. */
@NullMarked
package app.unciala.server.proof;

import org.jspecify.annotations.NullMarked;
