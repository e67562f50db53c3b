/** What can go wrong with a request by the fault of whoever made it, told apart from HTTP. */
@NullMarked
package app.unciala.server.fault;

import org.jspecify.annotations.NullMarked;
