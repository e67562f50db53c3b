/** The formats of old browsers: Embedded OpenType, read and written, and SVG fonts, written only. */
@NullMarked
package app.unciala.core.font.legacy;

import org.jspecify.annotations.NullMarked;
