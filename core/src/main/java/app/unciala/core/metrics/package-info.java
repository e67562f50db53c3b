/** Makes a fallback face take the room of a web font, so that text stays where it is when the font arrives. */
@NullMarked
package app.unciala.core.metrics;

import org.jspecify.annotations.NullMarked;
