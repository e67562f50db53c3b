/** One search over everything held, by words or by a file. */
@NullMarked
package app.unciala.server.search;

import org.jspecify.annotations.NullMarked;
