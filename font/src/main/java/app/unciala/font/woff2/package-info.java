/** WOFF File Format 2.0: reading and writing, with the transforms of {@code glyf}, {@code loca} and {@code hmtx}. */
@NullMarked
package app.unciala.font.woff2;

import org.jspecify.annotations.NullMarked;
