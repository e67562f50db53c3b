/** The cascade (CSS Cascading 5) for the properties that say in which font text is set, for every element of a page. */
@NullMarked
package app.unciala.core.css.cascade;

import org.jspecify.annotations.NullMarked;
