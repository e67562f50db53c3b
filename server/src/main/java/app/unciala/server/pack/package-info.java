/** What is handed to a site, made and kept. */
@NullMarked
package app.unciala.server.pack;

import org.jspecify.annotations.NullMarked;
