/** The stand-in client sites, on loopback. */
@NullMarked
package app.unciala.demo.sites;

import org.jspecify.annotations.NullMarked;
