/** WOFF File Format 2.0: reading and writing, with the glyf, loca and hmtx transforms. */
@NullMarked
package app.unciala.core.font.woff2;

import org.jspecify.annotations.NullMarked;
