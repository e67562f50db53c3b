/** Draws letters as pen strokes along skeletons and puts them into TrueType fonts. */
@NullMarked
package app.unciala.demo.pen;

import org.jspecify.annotations.NullMarked;
