/** Lists that are read page by page, each page by the key of the item before it. */
@NullMarked
package app.unciala.server.listing;

import org.jspecify.annotations.NullMarked;
