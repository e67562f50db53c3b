/** The sfnt container and the OpenType tables that the product reads and writes, under the specification's own names. */
@NullMarked
package app.unciala.core.font.sfnt;

import org.jspecify.annotations.NullMarked;
