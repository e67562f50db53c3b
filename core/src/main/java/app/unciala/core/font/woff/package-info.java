/** WOFF File Format 1.0: reading and writing. */
@NullMarked
package app.unciala.core.font.woff;

import org.jspecify.annotations.NullMarked;
