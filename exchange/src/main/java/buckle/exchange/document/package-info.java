/** Documents as they are stored: each with the number of its schema, and the small steps that bring an older one up to date. */
@NullMarked
package buckle.exchange.document;

import org.jspecify.annotations.NullMarked;
