/** The commands that work without a database: compute and circuit. */
@NullMarked
package buckle.exchange.cli;

import org.jspecify.annotations.NullMarked;
