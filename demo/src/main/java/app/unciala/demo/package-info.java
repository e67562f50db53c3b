/** The demonstration: made-up families drawn by our own pen, the agency's scenario, and the stand-in client sites. */
@NullMarked
package app.unciala.demo;

import org.jspecify.annotations.NullMarked;
