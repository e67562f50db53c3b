/** What every feature's controllers share: problems, versions, pages of results. */
@NullMarked
package app.unciala.server.http;

import org.jspecify.annotations.NullMarked;
