/** OpenType tables, one class for each that is read or written, under the names of the specification. */
@NullMarked
package app.unciala.font.table;

import org.jspecify.annotations.NullMarked;
