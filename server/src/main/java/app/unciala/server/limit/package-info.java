/** What one request may take of the server, so that none of them keeps others waiting. */
@NullMarked
package app.unciala.server.limit;

import org.jspecify.annotations.NullMarked;
