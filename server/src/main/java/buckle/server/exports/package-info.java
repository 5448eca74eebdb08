/** Jobs as files. */
@NullMarked
package buckle.server.exports;

import org.jspecify.annotations.NullMarked;
