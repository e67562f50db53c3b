/** How days, numbers and names stand in the sentences that people read, in American English. */
@NullMarked
package app.unciala.core.sentence;

import org.jspecify.annotations.NullMarked;
