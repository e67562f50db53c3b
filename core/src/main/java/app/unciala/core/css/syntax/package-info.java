/** Reads style sheets as CSS Syntax Module Level 3 does: text to tokens, tokens to rules and declarations, with places. */
@NullMarked
package app.unciala.core.css.syntax;

import org.jspecify.annotations.NullMarked;
