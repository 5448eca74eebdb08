/** Sheets to buy and to load by, in words and in files. */
@NullMarked
package buckle.exchange.stock;

import org.jspecify.annotations.NullMarked;
