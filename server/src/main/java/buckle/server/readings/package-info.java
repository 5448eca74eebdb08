/** Readings as they are taken. */
@NullMarked
package buckle.server.readings;

import org.jspecify.annotations.NullMarked;
