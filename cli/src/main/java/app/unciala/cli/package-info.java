/** The command line over the core. */
@NullMarked
package app.unciala.cli;

import org.jspecify.annotations.NullMarked;
