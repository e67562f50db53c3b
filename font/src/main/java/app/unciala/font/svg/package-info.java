/** SVG fonts, the format of old phones: reading and writing. */
@NullMarked
package app.unciala.font.svg;

import org.jspecify.annotations.NullMarked;
