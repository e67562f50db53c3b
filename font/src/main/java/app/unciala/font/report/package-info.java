/** What is told of a face as a whole: facts, problems, and how two faces differ. */
@NullMarked
package app.unciala.font.report;

import org.jspecify.annotations.NullMarked;
