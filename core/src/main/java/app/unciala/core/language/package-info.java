/** Which characters a language is written with, from CLDR. */
@NullMarked
package app.unciala.core.language;

import org.jspecify.annotations.NullMarked;
