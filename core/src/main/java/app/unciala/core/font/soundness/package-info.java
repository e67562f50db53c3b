/** What browsers insist on before they use a font: the specification's demands on each table that they check. */
@NullMarked
package app.unciala.core.font.soundness;

import org.jspecify.annotations.NullMarked;
