/** A fence as it is handed over, in words. */
@NullMarked
package buckle.exchange.handover;

import org.jspecify.annotations.NullMarked;
