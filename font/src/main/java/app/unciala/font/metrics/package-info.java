/** Heights and widths that text is set by: ascent, descent and line gap; the average advance. */
@NullMarked
package app.unciala.font.metrics;

import org.jspecify.annotations.NullMarked;
