/** The server: REST over the core, by feature; a controller translates, a service owns the transaction. */
@NullMarked
package app.unciala.server;

import org.jspecify.annotations.NullMarked;
