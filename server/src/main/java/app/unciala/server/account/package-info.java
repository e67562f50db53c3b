/** Who may sign in, and the session. */
@NullMarked
package app.unciala.server.account;

import org.jspecify.annotations.NullMarked;
