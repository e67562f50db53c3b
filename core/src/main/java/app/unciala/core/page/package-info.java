/** What a page asks for and what its visitors are given: its text, run by run, with the faces that paint it. */
@NullMarked
package app.unciala.core.page;

import org.jspecify.annotations.NullMarked;
