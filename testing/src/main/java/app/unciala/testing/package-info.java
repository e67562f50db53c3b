/** For tests only: real fonts that Debian packages installed, and programs that read fonts independently of ours. */
@NullMarked
package app.unciala.testing;

import org.jspecify.annotations.NullMarked;
