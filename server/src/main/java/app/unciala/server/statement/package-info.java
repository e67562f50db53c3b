/** Statements for clients: which families and files are used on their sites, under which licenses, and what is open. */
@NullMarked
package app.unciala.server.statement;

import org.jspecify.annotations.NullMarked;
