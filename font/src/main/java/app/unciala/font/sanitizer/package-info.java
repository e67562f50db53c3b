/** What the sanitizers of browsers refuse: the demands of the specification on each table that they check. */
@NullMarked
package app.unciala.font.sanitizer;

import org.jspecify.annotations.NullMarked;
