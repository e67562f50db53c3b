/** Fetches pages and what they link to, from the web without being led to places that are private, or from a folder. */
@NullMarked
package app.unciala.core.fetch;

import org.jspecify.annotations.NullMarked;
