/** The yard's stock as a ledger, and the sheets by which trucks are loaded and come back. */
@NullMarked
package buckle.server.stock;

import org.jspecify.annotations.NullMarked;
