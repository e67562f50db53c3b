/** What a license says, and whether it allows a use: allowed, refused or not stated. */
@NullMarked
package app.unciala.core.license;

import org.jspecify.annotations.NullMarked;
