/** Makes static faces out of variable ones, at a location of the design space. */
@NullMarked
package app.unciala.font.instance;

import org.jspecify.annotations.NullMarked;
