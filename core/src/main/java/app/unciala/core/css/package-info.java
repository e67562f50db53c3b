/** CSS font declarations: family names, matching as CSS Fonts Level 4 specifies, and the style sheet of a pack. */
@NullMarked
package app.unciala.core.css;

import org.jspecify.annotations.NullMarked;
