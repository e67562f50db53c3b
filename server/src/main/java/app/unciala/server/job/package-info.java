/** Work away from requests, kept in the database until it is done. */
@NullMarked
package app.unciala.server.job;

import org.jspecify.annotations.NullMarked;
