/** Open formats in and out of the core: job file, GPX, GeoJSON, CSV, and the command {@code compute}. */
@NullMarked
package buckle.exchange;

import org.jspecify.annotations.NullMarked;
