/** Makes what is handed to a site: font files, style sheet, specimen page and manifest. */
@NullMarked
package app.unciala.core.pack;

import org.jspecify.annotations.NullMarked;
