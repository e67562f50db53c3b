/** Fills an empty inventory with the demonstration's scenario. */
@NullMarked
package app.unciala.server.demo;

import org.jspecify.annotations.NullMarked;
