/** The price book, the firm, the terms of a job, and quotes. */
@NullMarked
package buckle.server.prices;

import org.jspecify.annotations.NullMarked;
