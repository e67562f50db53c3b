/** Writes tables that refer to their parts by 16-bit offsets: parts that are shared, order, overflow. */
@NullMarked
package app.unciala.font.layout.packing;

import org.jspecify.annotations.NullMarked;
