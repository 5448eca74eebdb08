/** Sheets on paper, as PDF. */
@NullMarked
package buckle.exchange.paper;

import org.jspecify.annotations.NullMarked;
