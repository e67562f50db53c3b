/** Embedded OpenType, the format of old browsers: reading and writing. */
@NullMarked
package app.unciala.font.eot;

import org.jspecify.annotations.NullMarked;
