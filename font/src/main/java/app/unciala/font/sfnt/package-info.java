/** The sfnt container: a face as a set of tables, read from its table directory and written with one. */
@NullMarked
package app.unciala.font.sfnt;

import org.jspecify.annotations.NullMarked;
