/** One archive of the database and the files, written while the server runs, and read into an empty folder. */
@NullMarked
package app.unciala.server.backup;

import org.jspecify.annotations.NullMarked;
