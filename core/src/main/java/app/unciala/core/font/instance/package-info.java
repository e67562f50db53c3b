/** Makes static faces out of variable ones. */
@NullMarked
package app.unciala.core.font.instance;

import org.jspecify.annotations.NullMarked;
