/** Host names, the registrable domains above them, and the patterns that permit them. */
@NullMarked
package app.unciala.core.domain;

import org.jspecify.annotations.NullMarked;
