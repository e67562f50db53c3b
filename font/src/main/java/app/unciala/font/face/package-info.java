/** Says what a face is (family, weight, width, slope) from its own tables, with the evidence for and against. */
@NullMarked
package app.unciala.font.face;

import org.jspecify.annotations.NullMarked;
