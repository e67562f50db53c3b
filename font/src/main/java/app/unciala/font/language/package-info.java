/** Which characters a language is written with, from CLDR. */
@NullMarked
package app.unciala.font.language;

import org.jspecify.annotations.NullMarked;
