/** What all records share: identifiers, slots as the API writes them, links between records, and the order of changes. */
@NullMarked
package app.unciala.server.inventory;

import org.jspecify.annotations.NullMarked;
