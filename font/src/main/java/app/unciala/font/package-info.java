/** Words that every part of the font engine uses: formats, limits, problems, and the one exception that damaged fonts end in. */
@NullMarked
package app.unciala.font;

import org.jspecify.annotations.NullMarked;
