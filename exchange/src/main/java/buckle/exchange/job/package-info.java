/** The job file: one job whole, as it travels. */
@NullMarked
package buckle.exchange.job;

import org.jspecify.annotations.NullMarked;
