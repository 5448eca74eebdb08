/** Fences handed over: the round, the yardstick, certificates as they were signed. */
@NullMarked
package buckle.server.commissioning;

import org.jspecify.annotations.NullMarked;
