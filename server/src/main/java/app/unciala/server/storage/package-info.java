/** Font bytes on disk: content-addressed for good, staged while under review. */
@NullMarked
package app.unciala.server.storage;

import org.jspecify.annotations.NullMarked;
