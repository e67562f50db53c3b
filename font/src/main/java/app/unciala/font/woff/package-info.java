/** WOFF File Format 1.0: reading and writing. */
@NullMarked
package app.unciala.font.woff;

import org.jspecify.annotations.NullMarked;
