/** Removes for good what was deleted, each feature its own records. */
@NullMarked
package app.unciala.server.retention;

import org.jspecify.annotations.NullMarked;
