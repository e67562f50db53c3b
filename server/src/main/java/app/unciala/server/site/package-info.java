/** Clients, their sites, and what each site's text roles ask for. */
@NullMarked
package app.unciala.server.site;

import org.jspecify.annotations.NullMarked;
