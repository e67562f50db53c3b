/** Selectors as browsers ship them (Selectors 4): read from tokens, weighed, and matched against the elements of a page. */
@NullMarked
package app.unciala.core.css.selector;

import org.jspecify.annotations.NullMarked;
