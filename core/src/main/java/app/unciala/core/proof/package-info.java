/** Proof-reads style sheets: what in their fonts is wrong, where, and the correction. */
@NullMarked
package app.unciala.core.proof;

import org.jspecify.annotations.NullMarked;
