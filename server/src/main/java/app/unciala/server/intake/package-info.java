/** Files under review: read, judged, corrected, and accepted or thrown away. */
@NullMarked
package app.unciala.server.intake;

import org.jspecify.annotations.NullMarked;
